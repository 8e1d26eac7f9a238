<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Models\Business;
use App\Models\Line;
use App\Models\Role;
use App\Pages\LineDrawing;
use Carbon\CarbonImmutable;
use Linnet\Core\Record\HealthLimits;
use Linnet\Core\Time\WeeklyHours;
use Tests\Feature\TestCase;

final class SafeguardsTest extends TestCase
{
    public function testWhatAChangeWouldDoToWhatIsComingIsSaidBeforeItIsKept(): void
    {
        $this->actingAs($this->staff(Role::Administrator));
        Business::ours()->update(['opening_hours' => WeeklyHours::daily('00:00', '24:00')->toDocument()]);
        $this->travelToMoment('2026-03-02 23:30');
        $this->missedCall(self::WEN);
        $this->work();
        $this->travelToMoment('2026-03-02 23:35');
        $this->work();
        $this->forecast();
        $this->get(route('safeguards.index'))->assertSeeInOrder(['Held until a decent hour', '>1<'], false);
        $this->get(route('safeguards.did', 'hours'))->assertSee('outside decent hours')->assertSee('look at it');
        $this->get(route('safeguards.did', 'caps'))->assertSee('Nothing.');

        $before = Business::ours()->policy;
        $asked = $this->hoursForm('11:00', '20:00');
        $this->put(route('safeguards.effect', 'hours'), $asked)->assertSee('would leave later')->assertSee('Tue 3 March 11:00');
        $this->put(route('safeguards.effect', 'hours'), $this->hoursForm('00:00', '23:59'))->assertSee('earlier')
            ->assertSee('→ Mon 2 March 23:35');
        $this->put(route('safeguards.effect', 'hours'), $this->hoursForm('12:00', '11:00'))->assertDontSee('would leave');
        self::assertSame($before, Business::ours()->policy, 'nothing is kept');

        $this->put(route('safeguards.update'), $asked);
        $this->work();
        $this->travelToMoment('2026-03-03 10:59');
        $this->work();
        self::assertSame([], $this->went());
        $this->travelToMoment('2026-03-03 11:00');
        $this->work();
        self::assertCount(1, $this->went());
    }

    public function testALineIsDrawnUnderTheCurveOfItsWarmUp(): void
    {
        $line = Line::query()->where('key', 'front-desk')->sole();
        $line->update(['pace' => ['warm_up' => ['since' => '2026-03-01T08:00:00Z', 'start' => 10, 'growth' => 50, 'every_days' => 2]]]);
        $drawn = new LineDrawing($line->refresh(), 'Europe/London', CarbonImmutable::parse('2026-03-02 10:00'), new HealthLimits);
        self::assertSame(
            [null, 10, 10, 15, 15, 22, 22], array_slice(array_column($drawn->days, 'limit'), $drawn->today - 2, 7),
        );
        self::assertSame('Today it may send 10, in 14 days 170.', $drawn->says());
    }

    /** @return array<string, mixed> */
    private function hoursForm(string $from, string $until): array
    {
        return ['table' => 'service', 'week' => array_fill_keys(WeeklyHours::DAYS, ['from' => $from, 'to' => $until])];
    }

    /** @return list<array<string, string>> */
    private function went(): array
    {
        return array_values(array_filter($this->handedOver, fn (array $text): bool => $text['to'] === self::WEN));
    }
}
