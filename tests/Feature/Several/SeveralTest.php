<?php

declare(strict_types=1);

namespace Tests\Feature\Several;

use App\Audiences\KeepAsList;
use App\Engine\Batch;
use App\Engine\Runner;
use App\Engine\Store\DatabaseSideEffects;
use App\Intake\RecordWriter;
use App\Models\Audience;
use App\Models\Business;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Role;
use App\Models\Rule;
use App\Models\SavedFilter;
use App\Models\SeveralPerson;
use App\Models\TextToSeveral;
use App\Pages\Records\Belonging;
use App\Several\WhoGetsIt;
use Carbon\CarbonImmutable;
use Database\Seeders\OldRecordsSeeder;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Response;
use Tests\Feature\TestCase;

final class SeveralTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        DB::transaction(fn () => (new OldRecordsSeeder)->run(resolve(RecordWriter::class)));
        $this->work();
        $this->handedOver = [];
        $this->actingAs($this->staff(Role::Administrator));
    }

    /** Who gets it, when, in which words and for what price is what comes of it, under pace, at night, with those who said stop. */
    public function testWhatIsSaidBeforehandIsWhatComesOfIt(): void
    {
        $this->textFrom('+447700900301', 'STOP');
        Line::query()->where('key', 'front-desk')->update(['pace' => json_encode(['per_minute' => 7])]);
        $several = $this->begin('everybody', 'The quay is closed on Friday, {{ first_name | or: "all" }}.', '2026-03-03T21:30');
        $said = $this->said($several);
        self::assertGreaterThan(25, count($said));
        self::assertNotNull($several->people()->whereIn('outcome', ['gate.opted_out', 'start.opted_out'])->first());

        $this->letGo($several)->assertSessionHas('done', 'It is let go.');
        $this->liveThrough('2026-03-03 21:29', '2026-03-04 22:00', 10);
        $came = Message::query()->where('rule_id', $several->rule_id)->whereNotNull('left_at')->with('person')->get()->keyBy('person_id');
        self::assertSame(array_keys($said), $came->keys()->sort()->values()->all());
        foreach ($said as $person => $one) {
            $text = $came[$person] ?? self::fail();
            self::assertSame(
                [$one->body, $one->parts, $one->price_micros, $one->line_id, $one->leaves_at?->format('Y-m-d H')],
                [$text->body, $text->parts, $text->price_micros, $text->line_id, $text->left_at?->format('Y-m-d H')],
            );
        }
    }

    /** What the safeguards ask is asked for all that is prepared together: a question for each would take minutes of very many. */
    public function testNoSafeguardAsksForEach(): void
    {
        $pace = ['per_second' => 1, 'per_minute' => 7, 'per_day' => 900];
        Line::query()->where('key', 'front-desk')->update(['pace' => json_encode($pace)]);
        $business = Business::ours();
        $business->update(['policy' => $business->policy + [
            'cap' => ['per_day' => 2, 'per_week' => 5, 'gap_minutes' => 60], 'month_micros' => 9_000_000_000,
        ]]);
        $several = $this->begin('everybody', 'The quay is closed on Friday, {{ first_name | or: "all" }}.', '2026-03-03T11:00');
        $many = count($this->said($several));
        $this->letGo($several);
        $this->travelToMoment('2026-03-03 11:00');
        resolve(Runner::class)->timers(new Batch);
        $asked = [];
        DB::listen(function (QueryExecuted $query) use (&$asked): void {
            $asked[$query->sql] = ($asked[$query->sql] ?? 0) + 1;
        });
        while (resolve(Runner::class)->piece() > 0);
        self::assertGreaterThan(25, $many);
        $prepared = Message::query()->where('rule_id', $several->rule_id)->where('state', '!=', MessageState::Dropped);
        self::assertSame($many, $prepared->count());
        arsort($asked);
        self::assertLessThan(6, current($asked), key($asked) ?? '');
    }

    /** So many that they are worked out in pieces leave by the line one after the other, at the places that are said beforehand. */
    public function testVeryManyLeaveInTheirTurn(): void
    {
        for ($i = 0; $i < 430; $i++) {
            $id = DB::table('people')->insertGetId(['first_name' => "P$i", 'fields' => '{}', 'added_at' => now()]);
            [$number, $country, $zones] = $i % 5 === 0
                ? ['+1416555'.sprintf('%04d', $i), 'CA', '["America/Toronto"]']
                : ['+44770091'.sprintf('%04d', $i), 'GB', '["Europe/London"]'];
            DB::table('numbers')->insert([
                'person_id' => $id, 'e164' => $number, 'country' => $country, 'kind' => 'mobile', 'zones' => $zones, 'rank' => 0,
            ]);
        }
        Line::query()->where('key', 'front-desk')->update(['pace' => json_encode(['per_minute' => 6])]);
        $several = $this->begin('everybody', 'The quay is closed on Friday, {{ first_name | or: "all" }}.', '2026-03-04T19:30', many: true);
        for ($who = resolve(WhoGetsIt::class); $who->goOn($several););
        $said = $several->people()->where('outcome', SeveralPerson::GETS)->get()->keyBy('person_id')->all();
        self::assertGreaterThan(430, count($said));
        $this->letGo($several)->assertSessionHas('done', 'It is let go.');
        $this->liveThrough('2026-03-04 19:30', '2026-03-04 20:20', 10);
        $this->liveThrough('2026-03-04 20:21', '2026-03-04 20:35', 1);
        $this->liveThrough('2026-03-04 21:00', '2026-03-05 11:00', 30);
        $came = Message::query()->where('rule_id', $several->rule_id)->whereNotNull('left_at')->get()->keyBy('person_id');
        self::assertCount(count($said), $came);
        foreach ($said as $person => $one) {
            $text = $came[$person] ?? self::fail();
            self::assertSame($one->leaves_at?->format('D H:i'), self::place($text), (string) $one->zone);
        }
        self::assertGreaterThan(2, count(array_unique(array_map(fn ($one): ?string => $one->leaves_at?->format('D H'), $said))));
    }

    /** By the clock of each; who is past it gets it as soon as it is let go. */
    public function testAtATimeOfDayWhereEachOfThemIs(): void
    {
        $several = $this->begin('everybody', 'Noon where you are.', '2026-03-04T12:00', theirs: true);
        $said = $this->said($several);
        $this->letGo($several);
        $this->liveThrough('2026-03-03 20:00', '2026-03-05 10:00', 30);
        $zones = [];
        foreach (Message::query()->where('rule_id', $several->rule_id)->whereNotNull('left_at')->get() as $text) {
            $zone = (string) $said[$text->person_id]->zone;
            $zones[$zone] = true;
            self::assertSame('2026-03-04 12:00', $text->left_at?->setTimezone($zone)->format('Y-m-d H:i'), $zone);
        }
        self::assertGreaterThan(2, count($zones));
    }

    public function testItIsHeldGoesOnAndIsStoppedAndTheRestIsNeverSent(): void
    {
        Line::query()->where('key', 'front-desk')->update(['pace' => json_encode(['per_minute' => 5])]);
        $several = $this->begin('everybody', 'Hello.');
        $this->letGo($several);
        $left = fn (): int => Message::query()->where('rule_id', $several->rule_id)->whereNotNull('left_at')->count();
        $this->liveThrough('2026-03-02 10:00', '2026-03-02 10:03', 1);
        $before = $left();
        self::assertGreaterThan(10, $before);

        $this->put(route('several.power', $several), ['power' => 'paused']);
        $this->liveThrough('2026-03-02 10:04', '2026-03-02 10:30', 5);
        self::assertSame($before, $left());
        $this->get(route('several.show', $several))->assertSee('Held:');
        $this->put(route('several.power', $several), ['power' => 'on']);
        $this->liveThrough('2026-03-02 10:31', '2026-03-02 10:33', 1);
        $more = $left();
        self::assertGreaterThan($before, $more);

        $this->put(route('several.power', $several), ['power' => 'stopped'])->assertSessionHas('done', 'The rest is never sent.');
        $this->liveThrough('2026-03-02 10:34', '2026-03-03 22:00', 60);
        self::assertSame($more, $left());
        self::assertSame(0, Message::query()->where('rule_id', $several->rule_id)->where('state', MessageState::Waiting)->count());
        $this->get(route('several.show', $several))->assertSee('Stopped:')->assertDontSee('Let it go');
        $this->put(route('several.update', $several), ['text' => 'Other words'])->assertSessionHasErrors('several');
    }

    public function testTickedRecordsTextTheirPeopleOnceEachAboutTheOneThatCameInFirst(): void
    {
        $type = RecordType::query()->where('key', 'booking')->sole();
        $ticked = Record::query()->where('record_type_id', $type->id)->whereNotNull('person_id')->orderBy('id')->limit(6)->get();
        $twice = $ticked[0]->replicate()->fill(['external_id' => 'twice']);
        $twice->save();
        $this->post(route('several.store', ['type' => 'booking']), ['ticked' => [$twice->id, ...$ticked->pluck('id')->all()]]);
        $several = TextToSeveral::query()->sole();
        $this->put(route('several.update', $several), ['text' => 'About {{ booking.lesson }}.']);
        $this->get(route('several.who', $several));
        $this->get(route('several.show', $several))->assertSee('7 ticked bookings')->assertSee('is a further booking of somebody who gets one text');
        self::assertSame(1, $several->people()->where('outcome', 'start.before')->count());
        $this->letGo($several);
        $this->liveThrough('2026-03-02 10:00', '2026-03-02 18:00', 120);
        $texts = Message::query()->where('rule_id', $several->rule_id)->whereNotNull('left_at')->get();
        self::assertSame($several->people()->where('outcome', SeveralPerson::GETS)->count(), $texts->count());
        self::assertStringContainsString(
            'About '.$ticked[0]->values['lesson'], (string) $texts->firstWhere('person_id', $ticked[0]->person_id)?->body,
        );
        $this->post(route('several.store', ['type' => 'booking']), ['ticked' => []])
            ->assertSessionHasErrors(['bulk' => 'Tick some first.']);
    }

    public function testAGreetingAloneIsNotLetGo(): void
    {
        $this->post(route('several.store'));
        $several = TextToSeveral::query()->sole();
        $this->get(route('several.show', $several))->assertSee('Write the words, then it can be let go.');
        $this->get(route('several.who', $several));
        $this->letGo($several)->assertSessionHasErrors(['several' => 'It only greets them yet. Write what it is to say.']);
    }

    public function testWhatCannotBeSaidIsRefusedAtItsPlaceAndNothingIsLost(): void
    {
        $several = $this->begin('everybody', 'Hello.');
        foreach (
            [
                ['sentence' => 'everybody who has the tga "x"', 'sentence'], ['text' => 'Hello {{ first_nam', 'text'],
                ['when' => 'ours', 'at' => '2026-03-01T09:00', 'at'], ['when' => 'ours', 'at' => '2028-03-01T09:00', 'at'],
                ['when' => 'theirs', 'at' => '', 'at'], ['line' => 'NO SUCH LINE', 'several'], ['kind' => 'spam', 'kind'],
            ] as $said
        ) {
            $place = (string) array_pop($said);
            $this->put(route('several.update', $several), $said)->assertSessionHasErrors($place);
        }
        self::assertSame('Hello.', $several->rule->refresh()->written()->flow->texts()[0]->outgoing()->wordings->own[0]->text->source);
    }

    public function testAnAudienceIsNamedByRulesFrozenAndNotTakenFromUnderThem(): void
    {
        $this->post(route('audiences.store'), ['name' => 'Booked', 'sentence' => 'everybody with a booking'])->assertSessionHasNoErrors();
        $audience = Audience::query()->sole();
        $this->get(route('audiences.show', $audience))->assertSee('Everybody who has a booking.');
        $this->post(route('audiences.store'), ['name' => 'booked', 'sentence' => 'everybody'])->assertSessionHasErrors('name');
        $this->post(route('audiences.store'), ['name' => 'Both', 'sentence' => 'everybody who is in the audience "Booked"'])
            ->assertSessionHasErrors(['sentence' => 'An audience is not made of other audiences. Say what those ask for.']);
        $this->post(route('several.store'), ['audience' => $audience->id]);
        $several = TextToSeveral::query()->sole();
        $this->get(route('several.show', $several))->assertSee('everybody who is in the audience &quot;Booked&quot;', false);
        $this->delete(route('audiences.destroy', $audience))->assertSessionHasErrors('audience');

        $many = Person::query()->whereIn('id', Record::query()->whereNotNull('person_id')
            ->where('record_type_id', RecordType::query()->where('key', 'booking')->value('id'))->select('person_id'))->count();
        $this->post(route('audiences.freeze', $audience), ['list' => 'March']);
        (new KeepAsList($audience->read()->toDocument(), 'March', $this->staff(Role::Administrator)->id))
            ->handle(resolve(ClockInterface::class), resolve(DatabaseSideEffects::class));
        self::assertSame($many, DB::table('labels')->where('kind', 'list')->where('name', 'March')->count());
        Record::query()->update(['person_id' => null]);
        $this->get(route('audiences.show', $audience))->assertSee('Nobody belongs to it now.');
        self::assertSame($many, DB::table('labels')->where('kind', 'list')->where('name', 'March')->count());
    }

    /** Where none leaves as far as is looked ahead, the page says what they wait for, and how it reads all the same. */
    public function testThoseWhoWaitLongerThanIsLookedAheadAreSaid(): void
    {
        Line::query()->where('key', 'front-desk')->update(['pace' => json_encode(['per_minute' => 1])]);
        $line = Line::query()->where('key', 'front-desk')->value('id');
        DB::table('send_slots')->insert(['line_id' => $line, 'number' => 1, 'at' => '2026-03-20 10:00:00']);
        $several = $this->begin('everybody', 'The quay is closed on Friday.');
        $page = $this->get(route('several.show', $several))
            ->assertSee('of them later than in four days. Held')
            ->assertSee('20 March')
            ->assertSee('would get it')
            ->viewData('page');
        self::assertGreaterThan(25, $page->wait());
        self::assertSame($page->wait(), $page->getIt());
        $this->get(route('several.people', [$several, 'outcome' => 'waits']))->assertSee('Who gets it later than is looked ahead');
    }

    /** What is done to all records of a list narrowed to an audience is done to no other, and to none where the audience is gone. */
    #[DataProvider('fewAndMany')]
    public function testRecordsAreNarrowedToAnAudience(int $few): void
    {
        $this->app?->when(Belonging::class)->needs('$few')->give(fn (): int => $few);
        $booking = RecordType::query()->where('key', 'booking')->firstOrFail();
        $bookings = fn () => Record::query()->where('record_type_id', $booking->id);
        $guest = Person::query()->whereKey($bookings()->value('person_id'))->firstOrFail();
        $guest->labels()->create(['kind' => 'tag', 'name' => 'guest', 'folded' => 'guest']);
        foreach (['Guests' => 'everybody who has the tag "guest"', 'Came' => 'the guest of every booking whose state is came'] as $name => $sentence) {
            $this->post(route('audiences.store'), ['name' => $name, 'sentence' => $sentence])->assertSessionHasNoErrors();
        }
        [$guests, $came] = Audience::query()->orderBy('id')->get()->all();
        $theirs = $bookings()->whereIn('person_id', DB::table('labels')->where('name', 'guest')->select('person_id'))->pluck('id')->all();
        self::assertNotContains(count($theirs), [0, $bookings()->count()]);
        $shown = fn (Audience $audience): array => $this
            ->get(route('records.index', [$booking, 'audience' => $audience->id]))
            ->viewData('rows');
        self::assertEqualsCanonicalizing($theirs, array_column($shown($guests), 'id'));
        self::assertSame(['came'], array_values(array_unique(array_map(
            fn (int $id): mixed => Record::query()->findOrFail($id)->values['state'], array_column($shown($came), 'id'),
        ))));

        $change = ['which' => 'all', 'field' => 'remark', 'value' => 'Brings a dog'];
        $url = route('records.bulk', [$booking, 'audience' => $guests->id]);
        $this->post($url, $change)->assertSessionHasNoErrors();
        // A list kept so is no wider where a rule is started for it.
        $this->missedCall(self::WEN);
        $this->missedCall('+447700900301');
        $this->takeIn();
        $this->person(self::WEN)->labels()->create(['kind' => 'tag', 'name' => 'guest', 'folded' => 'guest']);
        $calls = RecordType::query()->where('key', 'call')->firstOrFail();
        $this->post(route('records.save', [$calls, 'audience' => $guests->id]), ['name' => 'Of guests'])->assertSessionHasNoErrors();
        self::assertContains('outcome', SavedFilter::query()->sole()->asked['cols']);
        $kept = 'kept:'.SavedFilter::query()->sole()->id;
        $starts = $this->get(route('rules.starts', [Rule::query()->firstOrFail(), 'of' => $kept]))->viewData('page');
        self::assertSame([$this->person(self::WEN)->id], array_values(array_unique(array_column($starts->able, 0))));
        $guests->delete();
        $this->post($url, $change)->assertSessionHasErrors('bulk');
        $this->get(route('records.index', [$calls, 'audience' => $guests->id]))->assertSee('is gone, so nothing belongs to it');
        self::assertEqualsCanonicalizing($theirs, $bookings()->where('values', 'like', '%Brings a dog%')->pluck('id')->all());
    }

    /** @return iterable<string, array{int}> */
    public static function fewAndMany(): iterable
    {
        yield 'of few their ids are asked for' => [3000];
        yield 'of very many each row is asked' => [0];
    }

    /** The minute of its place in its line's order, else in which it left. */
    private static function place(Message $text): string
    {
        $slot = $text->getAttribute('slot_at');

        return is_string($slot) ? CarbonImmutable::parse($slot, 'UTC')->format('D H:i') : (string) $text->left_at?->format('D H:i');
    }

    private function begin(string $to, string $words, ?string $at = null, bool $theirs = false, bool $many = false): TextToSeveral
    {
        $this->post(route('several.store'));
        $several = TextToSeveral::query()->orderByDesc('id')->firstOrFail();
        $this->put(route('several.update', $several), [
            'sentence' => $to, 'text' => $words, 'line' => 'front-desk',
            'when' => $at === null ? 'now' : ($theirs ? 'theirs' : 'ours'), 'at' => $at,
        ])->assertSessionHasNoErrors();
        $who = $this->get(route('several.who', $several));
        // Of many it is worked out in the queue.
        $many ? $who->assertHeaderMissing('HX-Trigger') : $who->assertHeader('HX-Trigger', 'worked-out');

        return $several->refresh();
    }

    /** @return array<int, SeveralPerson> who gets it, by person */
    private function said(TextToSeveral $several): array
    {
        return $several->people()->where('outcome', SeveralPerson::GETS)->orderBy('person_id')->get()->keyBy('person_id')->all();
    }

    /** @return TestResponse<Response> */
    private function letGo(TextToSeveral $several): TestResponse
    {
        return $this->post(route('several.go', $several));
    }

    private function liveThrough(string $from, string $until, int $minutes): void
    {
        for ($at = CarbonImmutable::parse($from, 'Europe/London'), $end = CarbonImmutable::parse($until, 'Europe/London'); $at <= $end; $at = $at->addMinutes($minutes)) {
            $this->travelTo($at);
            $this->work();
        }
    }
}
