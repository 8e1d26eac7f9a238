<?php

declare(strict_types=1);

namespace Tests\Feature\Forecast;

use App\Forecast\Forecaster;
use App\Models\ComingText;
use App\Models\ForecastMark;
use App\Models\PutAside;
use App\Models\Role;
use App\Models\Rule;
use App\Models\Run;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Linnet\Core\Record\ActivationState;
use Tests\Feature\TestCase;

/** What lies ahead is kept as things stand, for everybody about whom something becomes otherwise. */
final class ForecasterTest extends TestCase
{
    public function testWhatLiesAheadIsShownAndFollowsWhatHappens(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $this->forecast();
        $wen = $this->person(self::WEN);
        $first = ComingText::query()->where('person_id', $wen->id)->orderBy('leaves_at')->firstOrFail();
        $this->actingAs($this->staff(Role::Viewer));
        foreach ([route('ahead'), route('people.show', $wen), route('today'), route('ahead.day', '2026-03-02')] as $page) {
            $this->get($page)->assertOk()->assertSee($first->body)->assertSee('sorry we missed your call');
        }
        $this->get(route('ahead', ['find' => 'Nobody at all']))->assertSee('Nothing will leave in the next two weeks');
        $this->get(route('ahead', ['at' => 'noon']))->assertSessionHasErrors('at');
        $this->get('/ahead/2026-02-30')->assertNotFound();

        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        $this->forecast();
        self::assertSame($first->body, $this->textsTo(self::WEN)[0]->body);
        $follow = ComingText::query()->where('person_id', $wen->id)->orderBy('leaves_at')->firstOrFail();
        self::assertNotSame($first->name, $follow->name);
        self::assertContains('forecast.no_reply', array_column($follow->hangs_on, 'code'));

        $this->textFrom(self::WEN, 'I would like to hire a canoe');
        $this->work();
        $this->forecast();
        self::assertSame(0, ComingText::query()->where('person_id', $wen->id)->count());
    }

    public function testWhatHoldsForEverybodyIsSeenByItself(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $this->forecast();
        $rule = Rule::query()->findOrFail(ComingText::query()->firstOrFail()->rule_id);

        $rule->update(['power' => ActivationState::Paused, 'paused_until' => null]);
        $this->forecast();

        self::assertSame(0, ComingText::query()->where('rule_id', $rule->id)->where('leaves_at', '<', now()->addDays(14))->count());
        self::assertSame(0, resolve(Forecaster::class)->round());
    }

    public function testWhateverAForecastRestsOnLeavesAMark(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        $wen = $this->person(self::WEN);
        $text = $this->textsTo(self::WEN)[0];
        $this->actingAs($this->staff(Role::Administrator));
        $receipt = fn (string $fate, string $at): TestResponse => $this->fromCarrier([
            'kind' => 'receipt', 'key' => (string) $text->key, 'ref' => 'C', 'fate' => $fate, 'code' => 'no_such_number', 'at' => $at,
        ]);
        foreach ([
            'their line' => fn () => $this->put(route('people.line', $wen), ['line' => 1]),
            'a dead number' => fn () => $receipt('failed', '2026-03-02T10:02:05Z'),
            'a number that lives' => fn () => $receipt('arrived', '2026-03-02T10:02:09Z'),
            'a text by hand' => fn () => $this->post(route('people.texts.store', $wen), ['text' => 'Hello Wen', 'line' => 1]),
        ] as $what => $happens) {
            DB::table('forecast_marks')->delete();
            $happens();
            self::assertArrayHasKey($wen->id, ForecastMark::next(100), $what);
        }
    }

    public function testWhoIsMarkedWhileTheyAreWorkedOutIsWorkedOutAgain(): void
    {
        $wen = $this->person(self::WEN)->id;
        ForecastMark::leave([$wen]);
        $seen = ForecastMark::next(10);
        ForecastMark::leave([$wen]);

        ForecastMark::clear($seen);
        self::assertSame([$wen], array_keys(ForecastMark::next(10)));
        ForecastMark::clear(ForecastMark::next(10));
        self::assertSame([], ForecastMark::next(10));
    }

    public function testOneWorksItOutAndAnotherTakesOverWhenTheFirstIsGone(): void
    {
        [$first, $second] = [resolve(Forecaster::class), resolve(Forecaster::class)];
        self::assertGreaterThan(0, $first->round());
        ForecastMark::leave([$this->person(self::WEN)->id]);
        self::assertSame(0, $second->round());

        DB::table('forecast_states')->update(['leased_until' => gmdate('Y-m-d H:i:s', time() - 1)]);

        self::assertSame(1, $second->round());
        ForecastMark::leave([$this->person(self::WEN)->id]);
        self::assertSame(0, $first->round());
    }

    public function testWhatCannotBeWorkedOutIsSaidAndHoldsUpNobodyElse(): void
    {
        $this->missedCall(self::WEN);
        $this->missedCall('+447700900302');
        $this->work();
        $wen = $this->person(self::WEN);
        $run = Run::query()->where('person_id', $wen->id)->where('live', true)->firstOrFail();
        $state = DB::table('runs')->where('id', $run->id)->value('state');
        DB::table('runs')->where('id', $run->id)->update(['state' => '{"step": 7}']);
        $this->forecast();

        self::assertSame(0, ComingText::query()->where('person_id', $wen->id)->count());
        self::assertGreaterThan(0, ComingText::query()->where('person_id', '!=', $wen->id)->count());
        $said = PutAside::query()->sole();
        $this->actingAs($this->staff(Role::Administrator))->get(route('today'))->assertSee("What lies ahead of {$wen->name()} could not be worked out");

        DB::table('runs')->where('id', $run->id)->update(['state' => $state]);
        $this->post(route('put-asides.again', $said));
        $this->forecast();
        self::assertGreaterThan(0, ComingText::query()->where('person_id', $wen->id)->count());
        self::assertSame(0, PutAside::query()->count());
    }
}
