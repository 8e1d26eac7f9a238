<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Carrier\Carriers;
use App\Models\Business;
use App\Models\Line;
use App\Models\MessageState;
use App\Models\Role;
use App\Pages\Safeguards\CapDrawing;
use Illuminate\Http\UploadedFile;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\TestCase;

/** Lines, limits and holidays as the administrator sets them, and what the gate makes of them. */
final class LimitsTest extends TestCase
{
    private const LIMITS = [
        'same_minutes' => '60', 'stale_minutes' => '60', 'look_at' => '200', 'at_least' => '50', 'warn_percent' => '2',
        'pause_percent' => '3',
    ];

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->staff(Role::Administrator));
    }

    public function testACapHoldsTheNextText(): void
    {
        $this->put('/safeguards/limits', self::LIMITS + ['gap_minutes' => '30', 'month' => '250,50'])->assertSessionHasNoErrors();
        $this->missedCall(self::WEN);
        $this->missedCall(self::WEN, ['ddi' => '0044-7700-900101']);
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();

        $texts = $this->textsTo(self::WEN);
        self::assertSame([MessageState::Handed, MessageState::Waiting], array_map(fn ($text): MessageState => $text->state, $texts));
        self::assertSame('gate.capped', $texts[1]->reason['code'] ?? null);
        self::assertSame(250_500_000, Business::ours()->gatePolicy()->monthMicros);
        $this->get('/safeguards')->assertSee('250.5');
        $this->get('/safeguards/drawn')->assertSee('One person had automatic texts in the last 7 days')
            ->assertSee('Of the budget of £250.50, £250.4');
        $this->travelToMoment('2026-03-02 10:31');
        $this->work();
        self::assertCount(2, $this->handedOver);
    }

    /** The last bar holds those with more, too: what is said of them is counted, not read off it. */
    public function testWhoCameToALimitBeyondTheDrawingIsCounted(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        $text = $this->textsTo(self::WEN)[0];
        for ($i = 2; $i <= 9; $i++) {
            $text->replicate(['key', 'troubled', 'reason_code'])->fill(['name' => "$text->name/$i"])->save();
        }
        $now = new \DateTimeImmutable('2026-03-02 12:00', new \DateTimeZone('UTC'));

        self::assertStringContainsString('1 came to 9,', (new CapDrawing($now, 9))->says());
        self::assertStringContainsString('nobody came to 10,', (new CapDrawing($now, 10))->says());
    }

    public function testALineIsGivenAnotherCarrierWhereThereAreSeveral(): void
    {
        $line = Line::query()->orderBy('id')->firstOrFail();
        $main = config('linnet.carriers.main');
        $this->app?->instance(Carriers::class, new Carriers(['main' => $main, 'second' => $main]));
        $this->get(route('lines.show', $line))->assertSee('name="carrier"', false);
        $this->put(route('lines.update', $line), ['carrier' => 'third'])->assertSessionHasErrors('carrier');
        $this->put(route('lines.update', $line), ['carrier' => 'second'])->assertSessionHasNoErrors();
        self::assertSame('second', $line->refresh()->carrier);
    }

    public function testTheMonthsBudgetBeginsAnewOnTheFirstByTheBusinesssOwnClock(): void
    {
        $this->put('/safeguards/limits', self::LIMITS + ['month' => '0.05'])->assertSessionHasNoErrors();
        $this->travelToMoment('2026-03-31 10:00');
        $this->missedCall(self::WEN);
        $this->missedCall('+447700900456');
        $this->work();
        $this->travelToMoment('2026-03-31 10:02');
        $this->work();
        self::assertCount(1, $this->handedOver, 'a second one would spend more than the month may');
        self::assertSame('gate.budget_spent', ($this->textsTo('+447700900456')[0] ?? null)?->reason['code'] ?? null);

        // Summer time has begun: the month begins at 23:00 by the clock of the world.
        $this->travelToMoment('2026-04-01 10:02');
        $this->work();
        self::assertSame([self::WEN, '+447700900456'], array_column($this->handedOver, 'to'));
    }

    public function testAChangedLineLetsGoWhatItHeld(): void
    {
        $line = Line::query()->where('key', 'front-desk')->firstOrFail();
        $this->put("/lines/$line->id", [
            'hours' => '1',
            'week' => ['mon' => ['from' => '20:00', 'to' => '21:00']],
        ])->assertSessionHasNoErrors();
        $this->missedCall(self::WEN);
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        self::assertSame([], $this->handedOver);

        $this->put("/lines/$line->id", [])->assertSessionHasNoErrors();
        $this->work();

        self::assertSame([self::WEN], array_column($this->handedOver, 'to'));
    }

    /** @param  array<string, string>  $wrong */
    #[DataProvider('wrongLimits')]
    public function testALimitThatCannotBeIsSaidAtItsFieldAndChangesNothing(array $wrong, string $field): void
    {
        $before = Business::ours()->policy;

        $this->put('/safeguards/limits', $wrong + self::LIMITS)->assertSessionHasErrors($field);

        self::assertSame($before, Business::ours()->policy);
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function wrongLimits(): iterable
    {
        yield 'no texts at all' => [['per_day' => '0'], 'per_day'];
        yield 'half a text' => [['per_week' => '2.5'], 'per_week'];
        yield 'words for a budget' => [['month' => 'plenty'], 'month'];
        yield 'warns after it stops' => [['warn_percent' => '5'], 'warn_percent'];
        yield 'more than all' => [['pause_percent' => '101'], 'pause_percent'];
        yield 'nothing looked at' => [['look_at' => '0'], 'look_at'];
    }

    public function testALineGetsItsPaceHoursAndCountries(): void
    {
        $line = Line::query()->where('key', 'front-desk')->firstOrFail();
        $week = array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], ['from' => '11:00', 'to' => '17:00']);

        $this->put("/lines/$line->id", [
            'per_minute' => '1', 'per_day' => '200', 'even' => '1', 'warm_start' => '50', 'warm_growth' => '30', 'warm_every' => '3',
            'countries' => 'gb, ie', 'hours' => '1', 'week' => $week,
        ])->assertSessionHasNoErrors();

        $read = $line->refresh()->read();
        self::assertSame(
            [1, 200, 50, true, ['GB', 'IE']],
            [
                $read->pace->perMinute, $read->pace->perDay, $read->pace->dayLimit(now()->getTimestamp()), $read->pace->even,
                $read->countries,
            ],
        );
        $this->missedCall(self::WEN);
        $this->missedCall('+14165550142');
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        self::assertSame('gate.line_closed', $this->textsTo(self::WEN)[0]->reason['code'] ?? null);
        self::assertSame('gate.line_abroad', $this->textsTo('+14165550142')[0]->reason['code'] ?? null);
        $this->travelToMoment('2026-03-02 11:00');
        $this->work();
        self::assertSame([self::WEN], array_column($this->handedOver, 'to'));
        $this->get('/lines')->assertSee('1 a minute, 50 a day today, growing, spread evenly')->assertSee('of 50');
    }

    /** @param  array<string, mixed>  $wrong */
    #[DataProvider('wrongLines')]
    public function testALineThatCannotBeIsSaidAtItsField(string $method, string $path, array $wrong, string $field): void
    {
        $this->call($method, $path, $wrong)->assertSessionHasErrors($field);

        self::assertSame(2, Line::query()->count());
        self::assertNull(Line::query()->findOrFail(1)->pace);
    }

    /** @return iterable<string, array{string, string, array<string, mixed>, string}> */
    public static function wrongLines(): iterable
    {
        yield 'a country that is none' => ['PUT', '/lines/1', ['countries' => 'GB, Wales'], 'countries'];
        yield 'a warm-up half said' => ['PUT', '/lines/1', ['warm_start' => '50'], 'warm_growth'];
        yield 'spread over nothing' => ['PUT', '/lines/1', ['even' => '1'], 'per_day'];
        yield 'hours that are none' => [
            'PUT', '/lines/1', ['hours' => '1', 'week' => ['mon' => ['from' => '25:00', 'to' => '26:00']]], 'hours-mon',
        ];
        yield 'a name too long' => ['POST', '/lines', ['name' => 'news', 'sender' => 'Osier Quay Boathouse'], 'sender'];
        yield 'a number we have' => ['POST', '/lines', ['name' => 'second', 'sender' => '07700 900100'], 'sender'];
        yield 'a name we have' => ['POST', '/lines', ['name' => 'Workshop', 'sender' => '07700 900102'], 'name'];
    }

    public function testANumberAndANameBecomeLines(): void
    {
        $this->post('/lines', ['name' => 'second desk', 'sender' => '07700 900102'])->assertSessionHasNoErrors();
        $this->post('/lines', ['name' => 'news', 'sender' => 'OsierQuay'])->assertSessionHasNoErrors();

        self::assertSame(
            [['second-desk', '+447700900102'], ['news', null]],
            Line::query()->where('id', '>', 2)->orderBy('id')->get()->map(fn (Line $line): array => [$line->key, $line->number])->all(),
        );
        $this->get('/lines')->assertOk()->assertSee('a name, which nobody can answer');
        self::assertStringContainsString('"second desk",+447700900102,,on,0,,0,', $this->get('/lines?as=csv')->streamedContent());
    }

    public function testAWordOfOursIsObeyedFromThenOn(): void
    {
        $this->put('/safeguards/words', [
            'opt_out' => 'STOP, Genug',
            'opt_in' => 'START',
            'help' => 'HELP, Hilfe',
        ])->assertSessionHasNoErrors();
        $this->textFrom(self::WEN, 'genug!');
        $this->work();

        self::assertStringContainsString('you will get no more texts from us', $this->handedOver[0]['text']);
        $this->put('/safeguards/words', ['opt_out' => 'Genug', 'opt_in' => 'START', 'help' => 'HELP'])->assertSessionHasErrors([
            'opt_out' => 'STOP has to be among them: it is what people are told to text.',
        ]);
        $this->put('/safeguards/words', ['opt_out' => 'STOP', 'opt_in' => 'START', 'help' => 'Stop'])->assertSessionHasErrors([
            'help' => '“Stop” cannot mean two things.',
        ]);
        $this->put('/safeguards/words', ['opt_out' => 'STOP', 'opt_in' => '', 'help' => 'HELP'])->assertSessionHasErrors('opt_in');
        self::assertSame(['STOP', 'Genug'], Business::ours()->words['opt_out']);
    }

    public function testPricesHoldForTextsFromThenOn(): void
    {
        $this->put('/settings/tariff', [
            'currency' => 'gbp', 'elsewhere' => '0.2', 'picture_elsewhere' => '0.4', 'prices' => [
                ['country' => 'gb', 'per_part' => '0,05', 'inbound' => '0.01', 'picture' => ''],
                ['country' => '', 'per_part' => '', 'inbound' => '', 'picture' => ''],
                ['country' => 'CA', 'per_part' => '0.011', 'inbound' => '', 'picture' => ''],
            ],
        ])->assertSessionHasNoErrors();
        $this->get('/settings')->assertSee('value="0.011"', false)->assertSee('A part in, GB');
        $this->missedCall(self::WEN);
        $this->textFrom(self::WEN, 'Hello?');
        $this->missedCall('+61491570006');
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();

        self::assertSame(
            [['them', 10_000]],
            \App\Models\Message::query()
                ->where('origin', 'them')
                ->get()
                ->map(fn ($text): array => [$text->origin->value, $text->price_micros])
                ->all(),
        );
        self::assertSame([200_000], array_map(fn ($text): int => (int) $text->price_micros, $this->textsTo('+61491570006')));
        foreach (
            [
                'currency' => ['currency' => 'pounds'], 'elsewhere' => ['elsewhere' => 'cheap'],
                'prices.0.country' => ['prices' => [['country' => 'Britain', 'per_part' => '3']]],
                'prices.1.country' => ['prices' => [['country' => 'GB', 'per_part' => '3'], ['country' => 'gb', 'inbound' => '3']]],
                'prices.0.picture' => ['prices' => [['country' => 'GB', 'picture' => 'dear']]],
            ] as $field => $wrong
        ) {
            $this->put('/settings/tariff', $wrong + ['currency' => 'GBP', 'elsewhere' => '0.2'])->assertSessionHasErrors($field);
        }
        self::assertSame(50_000, Business::ours()->tariff['per_part']['GB']);
    }

    public function testHolidaysComeFromACalendarFileToo(): void
    {
        $file = UploadedFile::fake()->createWithContent(
            'holidays.ics',
            implode("\r\n", [
                'BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//x//EN', 'BEGIN:VEVENT', 'UID:1', 'DTSTART;VALUE=DATE:20260403',
                'DTEND;VALUE=DATE:20260404', 'SUMMARY:Good Friday', 'END:VEVENT', 'BEGIN:VEVENT', 'UID:2', 'DTSTART;VALUE=DATE:20251225',
                'DTEND;VALUE=DATE:20251227', 'RRULE:FREQ=YEARLY;COUNT=2', 'SUMMARY:Christmas', 'END:VEVENT', 'END:VCALENDAR', '',
            ]),
        );

        $this->put('/safeguards/holidays', ['holidays' => '2026-05-04', 'file' => $file])->assertSessionHas(
            'done',
            '5 days were taken from the file.',
        );
        self::assertSame(['2025-12-25', '2025-12-26', '2026-04-03', '2026-05-04', '2026-12-25', '2026-12-26'], Business::ours()->holidays);
        $this->put('/safeguards/holidays', ['holidays' => '4 May'])->assertSessionHasErrors('holidays');
        $this->put('/safeguards/holidays', ['file' => UploadedFile::fake()->createWithContent('a.ics', 'nothing')])->assertSessionHasErrors(
            'file',
        );

        self::assertCount(6, Business::ours()->holidays);
    }
}
