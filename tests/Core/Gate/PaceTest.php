<?php

declare(strict_types=1);

namespace Tests\Core\Gate;

use Linnet\Core\Document\Doc;
use Linnet\Core\Gate\Cap;
use Linnet\Core\Record\Pace;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PaceTest extends TestCase
{
    /** @param  array<string, mixed>  $pace */
    #[DataProvider('paces')]
    public function testNoWindowEverHoldsMoreThanItMay(array $pace): void
    {
        mt_srand(4);
        $read = Pace::read(Doc::of($pace));
        $departed = [];
        $now = new \DateTimeImmutable('2026-03-02T09:00:00Z');
        for ($i = 0; $i < 260; $i++) {
            $back = [];
            foreach ($read->looksBack($now) as $k) {
                if ($k <= count($departed)) {
                    $back[$k] = $departed[count($departed) - $k];
                }
            }
            $slot = $read->slot($now, $back, $i)->getTimestamp();
            self::assertGreaterThanOrEqual(
                $departed === [] ? 0 : $departed[count($departed) - 1],
                $slot,
                'in the order in which they were asked for',
            );
            $departed[] = $slot;
            $now = $now->modify('+'.mt_rand(0, 3).' seconds');
        }
        foreach ([['per_second', 1], ['per_minute', 60], ['per_day', 86_400]] as [$limit, $window]) {
            foreach (array_keys($departed) as $i) {
                $within = count(array_filter($departed, fn (int $at): bool => $at >= $departed[$i] && $at < $departed[$i] + $window));
                self::assertLessThanOrEqual($pace[$limit] ?? PHP_INT_MAX, $within, "$limit from {$departed[$i]}");
            }
        }
        foreach (array_keys($departed) as $i) {
            $within = count(array_filter($departed, fn (int $at): bool => $at > $departed[$i] - 86_400 && $at <= $departed[$i]));
            self::assertLessThanOrEqual($read->dayLimit($departed[$i]) ?? PHP_INT_MAX, $within, 'warming up');
        }
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function paces(): iterable
    {
        yield 'a second' => [['per_second' => 1]];
        yield 'a second and a minute' => [['per_second' => 3, 'per_minute' => 20]];
        yield 'a day' => [['per_minute' => 60, 'per_day' => 150]];
        yield 'a new line' => [
            ['per_second' => 5, 'warm_up' => ['since' => '2026-03-02T00:00:00Z', 'start' => 40, 'growth' => 50, 'every_days' => 2]],
        ];
        yield 'a new line with a ceiling' => [
            ['per_day' => 100, 'warm_up' => ['since' => '2026-03-01T00:00:00Z', 'start' => 30, 'growth' => 100, 'every_days' => 1]],
        ];
        yield 'spread over the day' => [['per_day' => 200, 'even' => true]];
    }

    public function testALineGrowsWarm(): void
    {
        $pace = Pace::read(
            Doc::of(['per_day' => 500, 'warm_up' => ['since' => '2026-03-02T00:00:00Z', 'start' => 50, 'growth' => 30, 'every_days' => 3]]),
        );
        $limit = fn (string $at): ?int => $pace->dayLimit((new \DateTimeImmutable($at))->getTimestamp());

        self::assertSame(
            [50, 50, 65, 84, 109, 500],
            array_map($limit, [
                '2026-03-02T09:00Z', '2026-03-04T23:59Z', '2026-03-05T00:00Z', '2026-03-08T00:00Z', '2026-03-11T00:00Z',
                '2026-06-01T00:00Z',
            ]),
        );
    }

    public function testACapHoldsUntilTheOldestIsFarEnoughBack(): void
    {
        $now = new \DateTimeImmutable('2026-03-02T12:00:00Z');
        $at = fn (array $cap, array $recent): string => Cap::read(Doc::of($cap))->allows(array_values($recent), $now)->format('D H:i');

        self::assertSame('Mon 12:00', $at(['per_day' => 2], self::ago('1 hour')));
        self::assertSame('Mon 18:00', $at(['per_day' => 2], self::ago('1 hour', '18 hours')));
        self::assertSame('Mon 12:30', $at(['gap_minutes' => 60], self::ago('30 minutes')));
        self::assertSame('Tue 12:00', $at(['per_day' => 5, 'per_week' => 2], self::ago('1 day', '6 days', '8 days')));
        self::assertSame('Mon 12:00', $at([], self::ago('1 minute', '2 minutes')));
    }

    /** @return list<\DateTimeImmutable> */
    private static function ago(string ...$ago): array
    {
        return array_map(
            fn (string $one): \DateTimeImmutable => (new \DateTimeImmutable('2026-03-02T12:00:00Z'))->modify("-$one"),
            array_values($ago),
        );
    }

    public function testAWarmUpIsReckonedFromItsStartAndRoundedOnce(): void
    {
        $limit = fn (int $start, int $growth, int $days): ?int => Pace::read(
            Doc::of(['warm_up' => ['since' => '2026-03-02T00:00:00Z', 'start' => $start, 'growth' => $growth, 'every_days' => 1]]),
        )->dayLimit(strtotime('2026-03-02T12:00:00Z') + $days * 86_400);

        self::assertSame([150, 180, 216, 259, 311, 373], array_map(fn (int $day): ?int => $limit(150, 20, $day), range(0, 5)));
        // 100 x 1.1 to the third is 133.1, and to the second just 121, which a float misses.
        self::assertSame([100, 110, 121, 133], array_map(fn (int $day): ?int => $limit(100, 10, $day), range(0, 3)));
        self::assertSame([1, 1, 100_000_000], [$limit(1, 15, 0), $limit(1, 15, 4), $limit(50, 100, 300)]);
    }
}
