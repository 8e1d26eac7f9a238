<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Engine\Runner;
use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Merging\Merging;
use App\Models\ComingText;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Role;
use App\Models\Rule;
use App\Models\RuleVersion;
use App\Rules\Vocabularies;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Intake\Cleaned;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Prose\Edit\RuleText;
use Linnet\Core\Prose\Language;
use Linnet\Core\Record\ActivationState;
use Tests\Feature\TestCase;

/** Several people on one record: a guest's booking, and the host of it, each texted by what they are to it. */
final class TextBesideTest extends TestCase
{
    private const HOST = '+447700900308';

    private RecordType $booking;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->staff(Role::Administrator));
        Rule::query()->update(['power' => ActivationState::Paused]);
        $this->booking = RecordType::query()->where('key', 'booking')->firstOrFail();
        $this->rule();
    }

    public function testTheGuestAndTheHostAreTextedEachByWhatTheyAreToIt(): void
    {
        $booking = $this->book('B1', self::HOST);
        $this->work();
        self::assertSame(
            ['+447700900301' => 'See you, Wen', self::HOST => 'Wen comes, Priya'],
            array_map(self::words(...), array_column($this->handedOver, 'text', 'to')),
        );
        // Each stands with whom it went to, and both on the record.
        $host = $this->person(self::HOST);
        self::assertSame(1, Message::query()->where('person_id', $host->id)->where('state', MessageState::Handed)->count());
        $this->get(route('people.show', $host))->assertSee('booking, as host')->assertSee('Wen comes, Priya');
        $this->get(route('records.show', [$this->booking, $booking]))
            ->assertSee('Wen comes, Priya')
            ->assertSee('See you, Wen')
            ->assertSeeTextInOrder(['Who: Wen Li', 'Host: Priya Nair', 'Write to Priya']);
        $this->get(route('people.write', ['person' => $host, 'record' => $booking->id]))->assertSee('speak of this one');
        $this->post(route('words', ['person' => $host->id, 'record' => $booking->id]), ['text' => '{{ booking.lesson }}, {{ first_name }}'])
            ->assertSee('To Priya: First strokes, Priya');
        // What the host answers ends nothing of the guest's.
        $this->textFrom(self::HOST, 'Good');
        self::assertSame(1, DB::table('runs')->where('live', true)->count());
    }

    public function testTheGateIsAskedOfTheHostAndNobodyIsThere(): void
    {
        $this->textFrom(self::HOST, 'STOP');
        $this->work();
        $this->handedOver = [];
        $this->book('B1', self::HOST);
        $this->book('B2', null);
        $this->work();
        self::assertSame(['+447700900301'], array_values(array_unique(array_column($this->handedOver, 'to'))));
        $reasons = Message::query()->where('step', 'host')->orderBy('id')->get()->map(fn (Message $one): string => (string) ($one->reason['code'] ?? ''));
        self::assertSame(['gate.opted_out', 'text.nobody'], $reasons->all());
    }

    public function testItIsForeseenWithTheHostAndHeldByTheirHours(): void
    {
        $this->travelToMoment('2026-03-02 22:30');
        $this->book('B1', self::HOST);
        $this->work();
        $this->forecast();
        $host = $this->person(self::HOST);
        $coming = ComingText::query()->where('person_id', $host->id)->sole();
        self::assertSame(['Tue 08:00', 'Wen comes, Priya'], [
            $coming->leaves_at?->setTimezone('Europe/London')->format('D H:i'), self::words($coming->body),
        ]);
        // It can be given words of its own, as any text that has not left.
        $which = ['rule' => $coming->rule_id, 'record' => $coming->record_id, 'which' => $coming->name];
        $this->post(route('people.text.store', $host), ['do' => 'words', 'text' => 'Wen is on the way'] + $which)
            ->assertSessionHas('done', 'It has words of its own.');
        $this->forecast();
        self::assertStringContainsString('Wen is on the way', ComingText::query()->where('person_id', $host->id)->sole()->body);
        $this->travelToMoment('2026-03-03 08:00');
        $this->work();
        $this->forecast();
        self::assertSame(0, ComingText::query()->where('person_id', $host->id)->count());
        self::assertContains(self::HOST, array_column($this->handedOver, 'to'));
    }

    public function testWhoIsNoLongerTheHostHearsNothingMore(): void
    {
        $this->travelToMoment('2026-03-02 22:30');
        $bookings = [$this->book('B1', self::HOST), $this->book('B2', self::HOST)];
        $this->work();
        $wen = $this->person(self::WEN)->id;
        // Another is the host of the one; the other is another's booking altogether.
        foreach ([['host' => "Wen Li (#$wen)"], ['who' => "Priya Nair (#{$this->person(self::HOST)->id})"]] as $i => $fields) {
            $this->put(route('records.update', [$this->booking, $bookings[$i]]), ['fields' => $fields])->assertSessionHasNoErrors();
        }
        $this->work();
        $this->travelToMoment('2026-03-03 08:10');
        $this->work();
        self::assertNotContains(self::HOST, array_column($this->handedOver, 'to'));
        $this->get(route('people.show', $this->person(self::HOST)))->assertSee('Not sent: Priya has no part in it any more.');
    }

    /** Its run has done all it had to do: what waits for the host still can be left out. */
    public function testItIsLeftOutAlsoWhereItsRunIsOver(): void
    {
        $version = RuleVersion::query()->orderByDesc('id')->firstOrFail();
        $version->update(['document' => ['steps' => array_slice($version->document['steps'], 0, 1)] + $version->document]);
        $this->travelToMoment('2026-03-02 22:30');
        $this->book('B1', self::HOST);
        $this->work();
        self::assertSame(0, DB::table('runs')->where('live', true)->count());
        $this->forecast();
        $coming = ComingText::query()->where('person_id', $this->person(self::HOST)->id)->sole();
        $which = ['rule' => $coming->rule_id, 'record' => $coming->record_id, 'which' => $coming->name, 'do' => 'skip'];
        $this->post(route('people.text.store', $coming->person_id), $which)->assertSessionHas('done', 'It will not be sent.');
        $this->travelToMoment('2026-03-03 08:10');
        $this->work();
        self::assertNotContains(self::HOST, array_column($this->handedOver, 'to'));
        self::assertSame('staff.skipped', Message::query()->where('step', 'host')->sole()->reason['code'] ?? null);
    }

    public function testItIsWrittenAsItReads(): void
    {
        $rule = Rule::query()->where('key', 'both')->sole();
        $text = RuleText::of(new Language(Vocabularies::ours()), $rule->version?->read() ?? self::fail())->text();
        self::assertStringContainsString("text the booking's host from the front desk, as a service text", $text);
        $this->get(route('rules.show', $rule))->assertOk()->assertSee("the booking's host");
        // Seen on one booking, it goes to its host, and says for whom.
        $booking = $this->book('B1', self::HOST);
        $this->get(route('rules.show', ['rule' => $rule, 'sample' => $booking->id]))->assertSee('to Priya</span>', false)
            ->assertSee('to Wen</span>', false);
    }

    public function testTwoEntriesOfTheHostAreOneOnTheirRecordsTooAndSplitAgain(): void
    {
        $booking = $this->book('B1', self::HOST);
        $host = $this->person(self::HOST);
        $kept = $this->person(self::WEN);
        $merge = resolve(Merging::class)->merge($kept, $host, $this->staff(Role::Administrator));
        self::assertSame($kept->id, $booking->refresh()->values['host']);
        $this->post(route('merges.undo', $merge))->assertSessionHasNoErrors();
        self::assertSame($host->id, $booking->refresh()->values['host']);
    }

    /** Without what Linnet adds to a first text. */
    private static function words(string $text): string
    {
        return explode(' Reply STOP', explode(': ', $text, 2)[1] ?? $text)[0];
    }

    private function book(string $key, ?string $host): Record
    {
        $hostId = null;
        if ($host !== null) {
            $this->missedCall($host);
            $this->work();
            $person = $this->person($host);
            $person->update(['first_name' => 'Priya', 'last_name' => 'Nair']);
            $hostId = $person->id;
            $this->handedOver = [];
        }
        resolve(RecordWriter::class)->upsert(
            new Cleaned('booking', $key, new PersonInput(number: Numbers::read(self::WEN, 'GB')), [
                'lesson' => 'First strokes', 'starts_at' => '2026-03-04T10:00:00Z', 'host' => $hostId === null ? null : "#$hostId",
            ]),
            ChangeOrigin::staff($this->staff(Role::Operator)),
        );
        Person::query()->whereKey($this->person(self::WEN)->id)->update(['first_name' => 'Wen']);

        return Record::query()->where('external_id', $key)->sole();
    }

    private function rule(): void
    {
        $text = fn (string $id, string $words, array $to): array => ['id' => $id, 'do' => 'text', 'kind' => 'service'] + $to + [
            'from' => ['line' => 'fixed', 'key' => 'front-desk'], 'wordings' => [['id' => 'w', 'text' => $words]],
        ];
        $document = [
            'linnet_rule' => 1, 'name' => 'Both', 'key' => 'both', 'trigger' => ['on' => 'record_added', 'type' => 'booking'],
            'conditions' => ['all' => []], 'again' => ['policy' => 'every_time'], 'stop_early' => ['reply' => true],
            'steps' => [
                $text('host', '{{ first_name }} comes, {{ booking.host.first_name }}', [
                    'to' => ['who' => 'person_field', 'field' => 'booking.host'],
                ]),
                $text('guest', 'See you, {{ first_name }}', []),
                ['id' => 'wait', 'do' => 'wait', 'for' => ['amount' => 3, 'unit' => 'days']],
            ],
        ];
        $rule = Rule::query()->create(['name' => 'Both', 'key' => 'both', 'power' => ActivationState::Paused]);
        $version = RuleVersion::query()->create(['rule_id' => $rule->id, 'number' => 1, 'document' => $document, 'at' => now()]);
        $rule->update(['version_id' => $version->id]);
        resolve(Runner::class)->switchOn($rule->refresh());
    }
}
