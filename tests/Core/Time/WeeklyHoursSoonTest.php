<?php

declare(strict_types=1);

namespace Tests\Core\Time;

use Linnet\Core\Document\Doc;
use Linnet\Core\Time\WeeklyHours;
use Linnet\Core\Time\Zone;
use PHPUnit\Framework\TestCase;

final class WeeklyHoursSoonTest extends TestCase
{
    /** By seconds or by calendar, the answer is that of looking at every minute. */
    public function testTheNextOpenMomentIsTheFirstOpenMinute(): void
    {
        mt_srand(11);
        $zones = ['Europe/London', 'America/Toronto', 'Australia/Sydney', 'Asia/Kathmandu', 'Pacific/Apia', 'America/St_Johns'];
        for ($i = 0; $i < 72; $i++) {
            $hours = $this->someHours();
            $zone = Zone::get($zones[$i % count($zones)]);
            // About both nights on which clocks are changed, and any other.
            $at = new \DateTimeImmutable(['2026-03-28', '2026-10-24', '2026-06-10', '2026-04-04'][$i % 4].'T00:00:00Z');
            $at = $at->setTimestamp($at->getTimestamp() + mt_rand(0, 2880) * 60);
            $open = $hours->nextOpen($at, $zone);
            $expected = null;
            for ($minutes = 0; $minutes < 4 * 1440; $minutes++) {
                $then = $at->setTimestamp($at->getTimestamp() + $minutes * 60);
                if ($this->isWithin($hours, $then, $zone)) {
                    $expected = $then;
                    break;
                }
            }
            if ($expected !== null) {
                self::assertSame($expected->getTimestamp(), $open?->getTimestamp(), "$i: {$at->format('c')} {$zone->getName()}");
            } else {
                self::assertTrue($open === null || $open->getTimestamp() >= $at->getTimestamp() + 4 * 86_400);
            }
        }
    }

    private function isWithin(WeeklyHours $hours, \DateTimeImmutable $at, \DateTimeZone $zone): bool
    {
        foreach ([-1, 0] as $days) {
            $day = $at->setTimezone($zone)->setTime(12, 0)->modify("$days days");
            foreach ($hours->stretches($day, $zone) as [$from, $to]) {
                if ($at >= $from && $at < $to) {
                    return true;
                }
            }
        }

        return false;
    }

    private function someHours(): WeeklyHours
    {
        $week = [];
        foreach (WeeklyHours::DAYS as $day) {
            $from = mt_rand(0, 90) * 15;
            $week[$day] =
                mt_rand(0, 3) === 0
                    ? []
                    : [
                        [
                            sprintf('%02d:%02d', intdiv($from, 60), $from % 60),
                            sprintf('%02d:%02d', ...[intdiv(($from + 195) % 1440, 60), ($from + 195) % 60]),
                        ],
                    ];
        }

        return WeeklyHours::read(Doc::of(['week' => $week, 'closed' => ['2026-06-11', '2026-03-29']]));
    }
}
