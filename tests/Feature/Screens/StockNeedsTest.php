<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Models\Business;
use App\Models\Line;
use App\Models\Role;
use App\Models\Source;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\ActivationState;
use Tests\Feature\TestCase;

/** Today says what is about to run out, and who has fallen silent. */
final class StockNeedsTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->staff(Role::Administrator));
    }

    public function testMoneyIsSaidWhereItIsNearlySpentAndWhereItIs(): void
    {
        $ours = Business::ours();
        $ours->update(['policy' => ['month_micros' => 100_000_000] + $ours->policy]);
        DB::table('spent_days')->insert([['day' => '2026-02-20', 'micros' => 90_000_000], ['day' => '2026-03-01', 'micros' => 79_000_000]]);
        $this->get('/today')->assertDontSee('this month’s money');

        DB::table('spent_days')->where('day', '2026-03-01')->update(['micros' => 85_500_000]);
        $this->get('/today')->assertSee('85 % of this month’s money is spent')->assertSee('£85.50 of £100');
        DB::table('spent_days')->where('day', '2026-03-01')->update(['micros' => 100_000_000]);
        $this->get('/today')->assertSee('This month’s money is spent');
    }

    public function testCodesAreSaidWhereTheyRunOut(): void
    {
        $codes = fn (string $list, int $from, int $to, ?int $person): bool => DB::table('codes')->insert(array_map(
            fn (int $n): array => ['list' => $list, 'code' => "$list-$n", 'person_id' => $person], range($from, $to),
        ));
        $codes('spring', 1, 90, 1);
        $codes('spring', 91, 100, null);
        $this->get('/today')->assertDontSee('“spring”');

        DB::table('codes')->where('code', 'spring-100')->update(['person_id' => 1]);
        $this->get('/today')->assertSee('The codes of “spring” are nearly used up')->assertSee('Nine codes are left of 100.');
        DB::table('codes')->where('list', 'spring')->update(['person_id' => 1]);
        $this->get('/today')->assertSee('The codes of “spring” are used up');
    }

    public function testALineThatSomebodyPausedIsNotForgotten(): void
    {
        Line::query()->where('key', 'workshop')->update(['power' => ActivationState::Paused]);

        $this->get('/today')->assertSee('The line “workshop” is paused');
    }

    public function testASourceThatIsSilentForLongerThanEverIsMissed(): void
    {
        $phone = Source::query()->where('key', 'phone')->firstOrFail();
        // Every working day for four weeks; a weekend is nothing unusual.
        foreach (range(1, 26) as $ago) {
            $day = now()->subDays($ago);
            if ($day->isWeekday()) {
                DB::table('deliveries')->insert([
                    'source_id' => $phone->id, 'state' => 'taken', 'fingerprint' => "f$ago", 'body' => '{}',
                    'at' => $day->format('Y-m-d 09:00:00'),
                ]);
            }
        }
        $this->get('/today')->assertDontSee('Nothing has come from');

        $this->travelToMoment('2026-03-03 10:00');
        $this->get('/today')->assertDontSee('Nothing has come from');
        $this->travelToMoment('2026-03-04 10:00');
        $this->get('/today')->assertSee("Nothing has come from {$phone->name} for five days");
    }
}
