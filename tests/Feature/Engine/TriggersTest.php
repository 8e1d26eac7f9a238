<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Api\Ability;
use App\Counts\MessageCounts;
use App\Engine\Runner;
use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\ComingText;
use App\Models\Form;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Role;
use App\Models\Rule;
use App\Models\RuleVersion;
use App\Models\Run;
use App\Models\Trace;
use App\Rules\StartByHand;
use Linnet\Core\Record\ActivationState;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\TestCase;

/** Each way a rule can start, as it comes about in the application: by its screens, its doors and its clock. */
final class TriggersTest extends TestCase
{
    private const PRIYA = '+447700900308';

    private const WORDS = 'Said once, {{ first_name | or: "friend" }}.';

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->staff(Role::Administrator));
        Rule::query()->update(['power' => ActivationState::Paused]);
    }

    public function testARecordThatIsAddedAndOneThatChanges(): void
    {
        $this->rule('added', ['on' => 'record_added', 'type' => 'booking']);
        $this->rule('stayed-away', [
            'on' => 'record_changed', 'type' => 'booking', 'field' => 'state', 'from' => 'booked', 'to' => 'did not come',
        ]);
        $booking = $this->booking('2026-03-04T14:00');
        $this->work();
        self::assertSame([self::WEN], array_column($this->handedOver, 'to'));

        foreach (['came', 'did not come', 'booked', 'did not come'] as $state) {
            $this->set($booking, ['state' => $state]);
            $this->work();
        }

        // From booked to did not come, once: not from came.
        self::assertSame(['added' => 1, 'stayed-away' => 1], $this->runs());
    }

    public function testLinesOfOneNameStandInForOneAnother(): void
    {
        $text = [
            'id' => 'first', 'do' => 'text', 'kind' => 'service', 'from' => ['line' => 'line_pool', 'called' => 'Desks'],
            'wordings' => [['id' => 'only', 'text' => 'Hello from the desk']],
        ];
        $this->rule('added', ['on' => 'record_added', 'type' => 'booking'], [$text]);
        $this->booking('2026-03-04T14:00');
        $this->work();
        // Nothing leaves from another line: it waits until one goes by the name.
        self::assertSame([], $this->handedOver);
        $this->get(route('sent.index'))->assertSee('The line “Desks” it is to leave from is not there.');
        $line = Line::query()->where('key', 'workshop')->sole();
        $this->put(route('lines.update', $line), ['pool' => ' Desks '])->assertSessionHasNoErrors();
        $this->get(route('lines.index'))->assertSee('in the pool “Desks”');
        $this->work();
        self::assertSame([$line->number], array_column($this->handedOver, 'from'));
    }

    public function testATextThatIsReceived(): void
    {
        $this->rule('asks-for-boats', ['on' => 'text_received', 'words' => ['boats'], 'match' => 'first', 'forgive_typos' => true]);

        foreach (['Have you boats?', 'Boast please', 'BOATS', 'boots'] as $text) {
            $this->textFrom(self::WEN, $text);
            $this->work();
        }

        $meanings = Message::query()
            ->where('origin', MessageOrigin::Them)
            ->orderBy('id')
            ->get()
            ->map(fn (Message $text): string => (string) $text->meaning?->value)
            ->all();
        self::assertSame(['talk', 'keyword', 'keyword', 'keyword'], $meanings);
        self::assertSame(['asks-for-boats' => 3], $this->runs());
    }

    public function testATagThatIsLostAndAListThatIsJoined(): void
    {
        $this->rule('lost', ['on' => 'label_changed', 'tag' => 'member', 'change' => 'removed']);
        $this->rule('joined', ['on' => 'label_changed', 'list' => 'newsletter', 'change' => 'added']);
        $wen = $this->person(self::WEN)->id;

        foreach (
            [
                ['tag', 'member', 1], ['tag', 'member', 0], ['tag', 'member', 0], ['list', 'newsletter', 1], ['tag', 'newsletter', 1],
            ] as [$kind, $name, $added]
        ) {
            $this->post("/people/$wen/labels", ['kind' => $kind, 'name' => $name, 'added' => $added])->assertSessionHasNoErrors();
            $this->work();
        }

        self::assertSame(['joined' => 1, 'lost' => 1], $this->runs());
    }

    public function testAFormThatIsSent(): void
    {
        Form::query()->create(['key' => 'hire', 'name' => 'Hire', 'power' => ActivationState::On]);
        Form::query()->create(['key' => 'news', 'name' => 'News', 'power' => ActivationState::On]);
        $this->rule('asked', ['on' => 'form_sent', 'form' => 'hire']);

        $this->post('/f/news', ['name' => 'Ottoline', 'number' => '07700 900555']);
        $this->post('/f/hire', ['name' => 'Ottoline', 'number' => '07700 900555']);
        $this->work();

        self::assertSame(['+447700900555'], array_column($this->handedOver, 'to'));
        self::assertStringContainsString('Said once, Ottoline.', $this->handedOver[0]['text']);
    }

    /** @param  array<string, string>  $receipt */
    #[DataProvider('fates')]
    public function testTheFateOfAText(string $fate, array $receipt): void
    {
        $this->rule('first', ['on' => 'started', 'type' => 'person']);
        $this->rule(
            'then',
            ['on' => 'text_fate', 'fate' => $fate, 'of_rule' => 'first'],
            [['id' => 'todo', 'do' => 'task', 'words' => 'Look into it', 'for' => ['who' => 'staff', 'email' => 'mira@osierquay.example']]],
        );
        $this->startFor(self::WEN, 'first');
        $this->work();
        $text = $this->textsTo(self::WEN)[0];
        foreach ([1, 2] as $_) {
            $this->fromCarrier(
                [
                    'kind' => 'receipt', 'ref' => (string) $text->carrier_ref, 'key' => $this->handedOver[0]['key'],
                    'at' => '2026-03-02T10:00:05Z',
                ] + $receipt,
            )->assertOk();
            $this->work();
        }

        self::assertSame(['first' => 1, 'then' => 1], $this->runs());
    }

    /** @return iterable<string, array{string, array<string, string>}> */
    public static function fates(): iterable
    {
        yield 'failed' => ['failed', ['fate' => 'failed', 'code' => 'handset_full']];
        yield 'undeliverable' => ['undeliverable', ['fate' => 'failed', 'code' => 'no_such_number']];
    }

    public function testALinkThatIsOpened(): void
    {
        $this->rule('first', ['on' => 'started', 'type' => 'person'], [self::text('Look: {{ link: address }}')]);
        $wen = $this->person(self::WEN);
        $this->put("/people/$wen->id", [
            'first_name' => 'Wen',
            'fields' => ['address' => 'https://osierquay.example/boats'],
        ])->assertSessionHasNoErrors();
        $this->rule('opened', ['on' => 'text_fate', 'fate' => 'link_opened', 'of_rule' => 'first']);
        $this->startFor(self::WEN, 'first');
        $this->work();
        self::assertSame(1, preg_match('#/l/[0-9A-Za-z]{10}#', $this->handedOver[0]['text'], $link));

        $this->get($link[0])->assertRedirect('https://osierquay.example/boats');
        $this->get($link[0])->assertRedirect('https://osierquay.example/boats');
        $this->work();

        self::assertSame(['first' => 1, 'opened' => 1], $this->runs());
    }

    public function testADateThatComesNear(): void
    {
        $this->rule('tomorrow', [
            'on' => 'date_reached', 'type' => 'booking', 'field' => 'starts_at',
            'offset' => ['amount' => 1, 'unit' => 'days', 'side' => 'before', 'time' => '10:00', 'clock' => 'ours'],
        ]);
        $moved = $this->booking('2026-03-05T14:00');
        $this->booking('2026-03-05T16:00', self::PRIYA);
        $this->booking('2026-03-02T16:00', self::PRIYA);
        $this->set($moved, ['starts_at' => '2026-03-06T14:00']);

        $left = [];
        for ($day = 2; $day <= 7; $day++) {
            $this->travelToMoment("2026-03-0$day 10:00");
            $this->work();
            $left["3-$day"] = array_map(fn (array $text): string => $text['to'], array_splice($this->handedOver, 0));
        }

        // At once for the one of today, which is yet to come; by the new date for the one that was moved.
        self::assertSame(['3-2' => [self::PRIYA], '3-4' => [self::PRIYA], '3-5' => [self::WEN]], array_filter($left));
    }

    public function testARecordThatIsSomebodyElsesNowIsNoLongerTheFormersBusiness(): void
    {
        $this->rule('added', ['on' => 'record_added', 'type' => 'booking'], [
            ['id' => 'later', 'do' => 'wait', 'for' => ['amount' => 1, 'unit' => 'days']], self::text('See you'),
        ]);
        $this->rule('soon', [
            'on' => 'date_reached', 'type' => 'booking', 'field' => 'starts_at',
            'offset' => ['amount' => 3, 'unit' => 'days', 'side' => 'before'],
        ], [
            self::text('Soon: {{ booking.starts_at | as: "time" }}'),
            ['id' => 'then', 'do' => 'wait', 'for' => ['amount' => 1, 'unit' => 'days']], ['id' => 'again'] + self::text('Now'),
        ]);
        $booking = $this->booking('2026-03-05T14:00');
        $gone = $this->booking('2026-03-05T15:00');
        $quietly = $this->booking('2026-03-05T14:30');
        $this->travelToMoment('2026-03-02 15:00');
        $this->work();
        self::assertSame([self::WEN, self::WEN, self::WEN], array_column($this->handedOver, 'to'));
        $this->handedOver = [];

        $this->set($booking, ['who' => "Somebody (#{$this->person(self::PRIYA)->id})"]);
        $this->set($gone, ['who' => '']);
        // What rules are not to act on: nothing ends by it, and still nothing is said to whoever had it.
        $priya = '#'.$this->person(self::PRIYA)->id;
        $origin = ChangeOrigin::staff($this->staff(Role::Administrator))->quietly();
        resolve(RecordWriter::class)->edit($quietly, ['who' => $priya], $origin);
        $this->work();
        $this->travelToMoment('2026-03-03 15:00');
        $this->work();

        // Who has it now hears of its date from the beginning; who had it, and nobody, hears nothing more.
        self::assertSame([self::PRIYA, self::PRIYA], array_column($this->handedOver, 'to'));
        self::assertSame(4, Run::query()->where('outcome', 'passed_on')->count());
        $this->get(route('people.show', $this->person(self::WEN)))->assertSee('Ended: it is no longer Wen');
        self::assertNull($gone->refresh()->person_id);
    }

    public function testWhatLiesAheadOfWhoeverHadARecordIsAnotherWithoutIt(): void
    {
        $this->rule('tomorrow', [
            'on' => 'date_reached', 'type' => 'booking', 'field' => 'starts_at',
            'offset' => ['amount' => 1, 'unit' => 'days', 'side' => 'before'],
        ]);
        $booking = $this->booking('2026-03-05T14:00');
        $ahead = [];
        foreach ([self::WEN, self::PRIYA, null] as $number) {
            $who = $number === null ? '' : "Somebody (#{$this->person($number)->id})";
            $this->set($booking, ['who' => $who]);
            $this->work();
            $this->forecast();
            $ahead[] = ComingText::query()->where('record_id', $booking->id)->pluck('person_id')->all();
        }

        self::assertSame([[$this->person(self::WEN)->id], [$this->person(self::PRIYA)->id], []], $ahead);
    }

    /** The number of a record is nobody's, though a person may have the same. */
    public function testTheDateOfARecordThatNamesNobodyIsAboutNobody(): void
    {
        $this->rule('tomorrow', [
            'on' => 'date_reached', 'type' => 'booking', 'field' => 'starts_at',
            'offset' => ['amount' => 1, 'unit' => 'days', 'side' => 'before'],
        ]);
        $booking = $this->booking('2026-03-05T14:00', null);
        $somebody = $this->person(self::WEN)->replicate()->fill(['id' => $booking->id]);
        Person::query()->whereKey($booking->id)->existsOr($somebody->save(...));
        $this->travelToMoment('2026-03-04 14:00');
        $this->work();

        self::assertSame([], $this->runs());
        self::assertSame([], Trace::query()->where('record_id', $booking->id)->whereNotNull('person_id')->pluck('code')->all());
    }

    public function testAnotherClockOfTheBusinessHoldsForWhatHasStillToCome(): void
    {
        $this->rule('tomorrow', [
            'on' => 'date_reached', 'type' => 'booking', 'field' => 'starts_at',
            'offset' => ['amount' => 1, 'unit' => 'days', 'side' => 'before', 'time' => '10:00', 'clock' => 'ours'],
        ]);
        $this->booking('2026-03-05T23:30');
        $this->booking('2026-03-05T14:00', self::PRIYA);
        $this->work();
        $this->travelToMoment('2026-03-04 07:30');
        $this->put('/settings/business', ['business' => 'Osier Quay', 'country' => 'GB', 'zone' => 'Europe/Helsinki'])->assertRedirect();
        $left = [];
        foreach (['03-04 08:00', '03-04 10:00', '03-05 08:00'] as $moment) {
            $this->travelToMoment("2026-$moment");
            $this->work();
            $left[$moment] = array_map(fn (array $text): string => $text['to'], array_splice($this->handedOver, 0));
        }
        // Its ten o'clock comes two hours sooner; half past eleven at night is past midnight there, so the day before is another.
        self::assertSame(['03-04 08:00' => [self::PRIYA], '03-04 10:00' => [], '03-05 08:00' => [self::WEN]], $left);
        self::assertSame([], MessageCounts::differences());
    }

    public function testABirthdayComesEveryYear(): void
    {
        $this->rule('years', [
            'on' => 'date_reached', 'type' => 'person', 'field' => 'member_since',
            'offset' => ['amount' => 0, 'unit' => 'days', 'side' => 'after', 'time' => '11:00'], 'each_year' => true,
        ]);
        $wen = $this->person(self::WEN);
        $this->put("/people/$wen->id", [
            'first_name' => 'Wen',
            'last_name' => 'Li',
            'fields' => ['member_since' => '2019-03-09'],
        ])->assertSessionHasNoErrors();

        foreach (['2026-03-08 11:00', '2026-03-09 11:00', '2026-03-10 11:00', '2027-03-09 11:00'] as $moment) {
            $this->travelToMoment($moment);
            $this->work();
        }

        self::assertSame(['years' => 2], $this->runs());
    }

    public function testWhatGoesQuiet(): void
    {
        $this->rule('left', [
            'on' => 'gone_quiet', 'type' => 'booking', 'while' => ['field' => 'booking.state', 'test' => 'is', 'value' => 'booked'],
            'for' => ['amount' => 1, 'unit' => 'hours'],
        ]);
        $quiet = $this->booking('2026-03-20T14:00');
        $this->booking('2026-03-20T15:00', self::PRIYA);
        $this->travelToMoment('2026-03-02 10:40');
        $this->set($quiet, ['places' => '3']);

        $this->travelToMoment('2026-03-02 11:00');
        $this->work();
        self::assertSame([self::PRIYA], array_column($this->handedOver, 'to'));
        $this->travelToMoment('2026-03-02 11:40');
        $this->work();
        self::assertSame([self::PRIYA, self::WEN], array_column($this->handedOver, 'to'));
    }

    public function testTheCalendarStartsTheRuleForAllItIsAbout(): void
    {
        $this->rule(
            'mondays',
            [
                'on' => 'calendar', 'at' => '2026-03-09T10:30', 'recurrence' => 'FREQ=WEEKLY;BYDAY=MO',
                'audience' => ['of' => 'person', 'condition' => ['tag' => 'rower']],
            ],
            again: ['policy' => 'once_per_occasion'],
        );
        foreach ([self::WEN, self::PRIYA] as $number) {
            $this->post('/people/'.$this->person($number)->id.'/labels', ['kind' => 'tag', 'name' => 'rower', 'added' => 1]);
        }

        $many = [];
        foreach (['03-09 10:29', '03-09 10:30', '03-10 10:30', '03-16 10:30'] as $moment) {
            $this->travelToMoment("2026-$moment");
            $this->work();
            $many[] = count(array_splice($this->handedOver, 0));
        }

        self::assertSame([0, 2, 0, 2], $many);
    }

    public function testByHandByAProgramAndByAnotherRule(): void
    {
        $target = $this->rule('target', ['on' => 'started', 'type' => 'person'], again: ['policy' => 'not_within', 'days' => 1]);
        $this->rule(
            'sender-on',
            ['on' => 'label_changed', 'tag' => 'rower', 'change' => 'added'],
            [['id' => 'go', 'do' => 'start_rule', 'rule' => 'target']],
        );
        $wen = $this->person(self::WEN);
        $token = $this->staff(Role::Administrator)->createToken('Website', [Ability::StartRules->value])->plainTextToken;
        $priya = $this->person(self::PRIYA)->id;

        $this->startFor(self::WEN, 'target');
        $this->work();
        // Once a day, however it is asked for.
        $this->withToken($token)->postJson("/api/v1/rules/$target->id/starts", ['person_id' => $wen->id])->assertStatus(202);
        $this->withToken($token)->postJson("/api/v1/rules/$target->id/starts", ['person_id' => $priya])->assertStatus(202);
        $this->work();
        self::assertSame([self::WEN, self::PRIYA], array_column($this->handedOver, 'to'));
        $third = '+447700900315';
        $this->post('/people/'.$this->person($third)->id.'/labels', ['kind' => 'tag', 'name' => 'rower', 'added' => 1]);
        $this->work();

        self::assertSame([self::WEN, self::PRIYA, $third], array_column($this->handedOver, 'to'));
        self::assertSame(['sender-on' => 1, 'target' => 3], $this->runs());
    }

    /** What began a moment ago, in the same piece of work, is known to what comes next in it. */
    public function testChangesTakenTogetherKnowOfOneAnother(): void
    {
        $this->rule('weekly', ['on' => 'record_added', 'type' => 'booking'], again: ['policy' => 'not_within', 'days' => 7]);
        $this->rule('waits', ['on' => 'record_added', 'type' => 'booking'], [
            ['id' => 'later', 'do' => 'wait', 'for' => ['amount' => 2, 'unit' => 'days']],
            self::text('See you'),
        ], again: ['policy' => 'once_per_person']);
        $this->rule('stops', ['on' => 'record_added', 'type' => 'booking'], [
            ['id' => 'stop', 'do' => 'stop_rule', 'rule' => 'waits'],
        ]);
        $this->booking('2026-03-04T14:00');
        $this->booking('2026-03-05T14:00');
        $this->work();

        self::assertSame(['stops' => 2, 'waits' => 1, 'weekly' => 1], $this->runs());
        self::assertSame(['stopped'], Run::query()->whereRelation('rule', 'name', 'waits')->pluck('outcome')->all());
        $this->travelToMoment('2026-03-09 10:00');
        $this->work();
        self::assertCount(1, $this->handedOver);
    }

    public function testOnlyRulesAboutWhatIsLookedAtAreOffered(): void
    {
        $this->rule('of-bookings', ['on' => 'record_added', 'type' => 'booking']);
        $this->rule('of-people', ['on' => 'text_received', 'words' => ['boats']]);
        $this->rule('of-invoices', [
            'on' => 'calendar',
            'at' => '2026-03-16T09:00',
            'audience' => ['of' => 'invoice', 'condition' => ['all' => []]],
        ]);
        $this->rule('put-away', ['on' => 'started', 'type' => 'person'])->update(['power' => ActivationState::Paused]);

        $offered = array_map(fn (string $type): array => StartByHand::offered($type)->pluck('key')->all(), [
            'booking' => 'booking', 'person' => 'person', 'invoice' => 'invoice', 'deal' => 'deal',
        ]);

        self::assertSame(['booking' => ['of-bookings'], 'person' => ['of-people'], 'invoice' => ['of-invoices'], 'deal' => []], $offered);
    }

    /**
     * @param  array<string, mixed>  $trigger
     * @param  list<array<string, mixed>>|null  $steps  null: one text
     * @param  array<string, mixed>  $again
     */
    private function rule(string $key, array $trigger, ?array $steps = null, array $again = ['policy' => 'every_time']): Rule
    {
        $document = [
            'linnet_rule' => 1, 'name' => $key, 'key' => $key, 'trigger' => $trigger, 'conditions' => ['all' => []], 'again' => $again,
            'stop_early' => ['reply' => false], 'steps' => $steps ?? [self::text(self::WORDS." ($key)")],
        ];
        $rule = Rule::query()->create(['name' => $key, 'key' => $key, 'power' => ActivationState::Paused]);
        $rule->update([
            'version_id' => RuleVersion::query()->create(['rule_id' => $rule->id, 'number' => 1, 'document' => $document, 'at' => now()])
                ->id,
        ]);
        resolve(Runner::class)->switchOn($rule->refresh());

        return $rule;
    }

    /** @return array<string, mixed> */
    private static function text(string $words): array
    {
        return [
            'id' => 'say', 'do' => 'text', 'kind' => 'service', 'from' => ['line' => 'fixed', 'key' => 'front-desk'],
            'wordings' => [['id' => 'w', 'text' => $words]],
        ];
    }

    private function booking(string $starts, ?string $number = self::WEN): Record
    {
        $this->post('/records/booking', [
            'fields' => ['who' => $number === null ? '' : "Somebody (#{$this->person($number)->id})", 'lesson' => 'First strokes', 'state' => 'booked', 'starts_at' => $starts],
        ])->assertSessionHasNoErrors();

        return Record::query()
            ->where('record_type_id', RecordType::query()->where('key', 'booking')->firstOrFail()->id)
            ->orderByDesc('id')
            ->firstOrFail();
    }

    /** @param  array<string, string>  $fields */
    private function set(Record $record, array $fields): void
    {
        $this->put("/records/booking/$record->id", ['fields' => $fields])->assertSessionHasNoErrors();
    }

    private function startFor(string $number, string $rule): void
    {
        $this->post('/people/'.$this->person($number)->id.'/starts', [
            'rule' => Rule::query()->where('key', $rule)->firstOrFail()->id,
        ])->assertSessionHasNoErrors();
    }

    /** @return array<string, int> how often each rule began, by its key */
    private function runs(): array
    {
        return Run::query()
            ->join('rules', 'rules.id', '=', 'runs.rule_id')
            ->groupBy('rules.key')
            ->orderBy('rules.key')
            ->selectRaw('rules.key, count(*) as many')
            ->pluck('many', 'key')
            ->all();
    }
}
