<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Engine\Batch;
use App\Engine\DirectTexts;
use App\Engine\LastLook;
use App\Engine\Runner;
use App\Models\Business;
use App\Models\Conversation;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Number;
use App\Models\Person;
use App\Models\Role;
use App\Models\Timer;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Time\WeeklyHours;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\TestCase;

/** Whoever wrote a text, and however little ago: after a stop, or what reads like one, it does not leave. */
final class LastLookTest extends TestCase
{
    public function testATextOfAColleagueThatWaitedForItsPlaceDoesNotLeaveAfterAStop(): void
    {
        Line::query()->where('key', 'front-desk')->update(['pace' => json_encode(['per_minute' => 1])]);
        $this->textFrom(self::WEN, 'Is the weir open?');
        $this->work();
        $conversation = Conversation::query()->firstOrFail();
        $staff = $this->staff(Role::Agent);
        self::assertNull(resolve(DirectTexts::class)->fromStaff($conversation->person_id, $conversation->line, null, $staff, 'It is.'));
        self::assertNull(resolve(DirectTexts::class)->fromStaff($conversation->person_id, $conversation->line, null, $staff, 'Until six.'));
        $this->work();
        self::assertSame(['It is.'], array_column($this->handedOver, 'text'));

        $this->textFrom(self::WEN, 'STOP');
        $this->travel(3)->minutes();
        $this->work();

        self::assertSame(
            ['It is.', 'Osier Quay Boathouse: you will get no more texts from us. Text START if you change your mind.'],
            array_column($this->handedOver, 'text'),
        );
        self::assertSame('gate.opted_out', Message::query()->where('body', 'Until six.')->sole()->reason['code'] ?? null);
    }

    public function testATextYoungerThanTwoMinutesStaysAfterWhatReadsLikeAStop(): void
    {
        foreach (['please stop texting me', 'Take me off your list', 'pls stop', 'leave me alone'] as $i => $said) {
            $number = "+44770090031$i";
            $this->missedCall($number);
            $this->work();
            $this->travel(2)->minutes();
            resolve(Runner::class)->timers(new Batch(array_values(Timer::query()->pluck('id')->all())));
            self::assertSame(MessageState::Ready, $this->textsTo($number)[0]->state);
            $this->textFrom($number, $said);
            $this->work();
            self::assertNotContains($number, array_column($this->handedOver, 'to'), $said);
        }
        $this->travel(10)->minutes();
        $this->work();
        self::assertSame([], $this->handedOver);
    }

    /** Two at the hand-over may have found the same text before either looked at it. */
    public function testWhatAnotherHasDroppedMeanwhileIsNotDroppedTwice(): void
    {
        foreach ([self::WEN, '+447700900308'] as $number) {
            $this->missedCall($number);
        }
        $this->work();
        $this->travel(2)->minutes();
        resolve(Runner::class)->timers(new Batch(array_values(Timer::query()->pluck('id')->all())));
        $found = fn (): Message => Message::query()->with(['line', 'rule'])->findOrFail($this->textsTo(self::WEN)[0]->id);
        [$ours, $theirs] = [$found(), $found()];
        $spent = fn (): int => (int) DB::table('spent_days')->sum('micros');
        $both = $spent();
        $this->textFrom(self::WEN, 'STOP');

        foreach ([$ours, $theirs] as $message) {
            self::assertSame([], resolve(LastLook::class)->at([$message], now()->toImmutable()));
        }
        self::assertSame($both - $ours->price_micros, $spent());
        self::assertSame(1, DB::table('traces')->where('message_id', $ours->id)->where('code', 'gate.opted_out')->count());
    }

    public function testWhatWasHeldForALikelyStopIsAskedAboutAgainWhenTheySayStart(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $this->textFrom(self::WEN, 'please stop texting me');
        $this->work();
        // The rule ends by their reply; another call begins it anew, and its text waits for a decision.
        $this->missedCall(self::WEN);
        $this->work();
        $this->travel(2)->minutes();
        $this->work();
        $text = fn (): Message => Message::query()->where('origin', 'rule')->orderByDesc('id')->firstOrFail();
        self::assertSame([MessageState::Waiting, 'gate.may_have_opted_out'], [$text()->state, $text()->reason['code'] ?? null]);
        self::assertSame(0, Timer::query()->where('kind', Timer::MESSAGE)->where('subject_id', $text()->id)->count());

        $this->textFrom(self::WEN, 'START');
        $this->work();
        self::assertNotSame(MessageState::Waiting, $text()->state);
    }

    /** @param  \Closure(self): mixed  $hold  what holds it
     * @param  \Closure(self): mixed  $free  what frees it, with no moment to wait for */
    #[DataProvider('holds')]
    public function testWhateverHoldsATextFreesItAgain(\Closure $hold, \Closure $free, string $code): void
    {
        $this->actingAs($this->staff(Role::Administrator));
        $this->missedCall(self::WEN);
        $this->work();
        $hold($this);
        $this->travel(2)->minutes();
        $this->work();
        $text = fn (): Message => $this->textsTo(self::WEN)[0];
        self::assertSame([MessageState::Waiting, $code], [$text()->state, $text()->reason['code'] ?? null]);
        $free($this);
        $this->work();

        self::assertSame(MessageState::Handed, $text()->state);
    }

    /** @return iterable<string, array{\Closure(self): mixed, \Closure(self): mixed, string}> */
    public static function holds(): iterable
    {
        $desk = fn () => Line::query()->where('key', 'front-desk')->value('id');
        $line = fn (self $test, string $power) => $test->put("/lines/{$desk()}/power", ['power' => $power]);
        $hours = fn (string $from, string $to): array => [
            'table' => 'service',
            'week' => array_fill_keys(WeeklyHours::DAYS, ['from' => $from, 'to' => $to]),
        ];
        $limits = fn (array $more): array => ['policy' => json_encode($more + Business::ours()->policy)];
        yield 'its line is off' => [fn (self $test) => $line($test, 'paused'), fn (self $test) => $line($test, 'on'), 'gate.line_paused'];
        yield 'not a decent hour' => [
            fn (self $test) => $test->put('/safeguards/hours', $hours('12:00', '18:00')),
            fn (self $test) => $test->put('/safeguards/hours', $hours('08:00', '20:30')),
            'gate.outside_hours',
        ];
        yield 'the month’s money is spent' => [
            fn (self $test) => DB::table('businesses')->update($limits(['month_micros' => 0])), function (self $test) use ($limits): void {
                DB::table('businesses')->update($limits(['month_micros' => 90_000_000]));
                Timer::askAgain(now()->toImmutable());
            }, 'gate.budget_spent',
        ];
        yield 'the line is unwell' => [
            fn (self $test) => [
                Line::query()
                    ->where('key', 'front-desk')
                    ->update(['attempts' => 100, 'failed' => 50]),
            ],
            fn (self $test) => $line($test, 'on'),
            'gate.line_unwell',
        ];
        yield 'a likely stop, and somebody decides that it is none' => [
            fn (self $test) => Number::query()
                ->where('e164', self::WEN)
                ->update([
                    'ambiguous_opt_out_message_id' => Message::query()->create([
                        'name' => 'in/x', 'origin' => 'them', 'state' => 'received', 'person_id' => $test->person(self::WEN)->id,
                        'line_id' => Line::query()->min('id'),
                        'body' => 'stop this', 'wanted_at' => '2026-03-01 10:00', 'at' => '2026-03-01 10:00',
                    ])->id,
                ]),
            fn (self $test) => $test->post('/numbers/'.Number::query()->where('e164', self::WEN)->sole()->id.'/doubt', [
                'means' => 'no',
            ]),
            'gate.may_have_opted_out',
        ];
        yield 'their zone was wrong' => [
            fn (self $test) => Person::query()
                ->whereKey($test->person(self::WEN)->id)
                ->update(['zone' => 'America/Los_Angeles']),
            fn (self $test) => $test
                ->put('/people/'.$test->person(self::WEN)->id, ['first_name' => 'Wen', 'numbers' => self::WEN, 'zone' => 'Europe/London'])
                ->assertSessionHasNoErrors(),
            'gate.outside_hours',
        ];
    }

    public function testATextSetAsideLeavesOnceWhatIsMissingIsThere(): void
    {
        $rule = \App\Models\Rule::query()->where('name', 'like', 'Front desk%')->firstOrFail();
        $document = $rule->version->document ?? [];
        $document['steps'] = array_map(
            fn (array $step): array => $step['do'] === 'text'
                ? ['wordings' => [['id' => 'w', 'text' => 'Dear {{ first_name }}, we missed you.']]] + $step
                : $step,
            $document['steps'],
        );
        $rule->version?->update(['document' => $document]);
        $this->missedCall('+447700900390');
        $this->work();
        $this->travel(2)->minutes();
        $this->work();
        self::assertSame(MessageState::SetAside, $this->textsTo('+447700900390')[0]->state);

        $person = $this->person('+447700900390');
        $this->actingAs($this->staff(Role::Administrator))
            ->put("/people/$person->id", ['first_name' => 'Ottoline', 'numbers' => '+447700900390'])
            ->assertSessionHasNoErrors();
        $this->work();
        self::assertSame(['+447700900390'], array_column($this->handedOver, 'to'));
    }
}
