<?php

declare(strict_types=1);

namespace Tests\Feature\Forecast;

use App\Pages\Ahead\Queue;
use Linnet\Core\Record\Pace;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What a line's pace puts off where many texts would leave at once. */
final class QueueTest extends TestCase
{
    /** @param  list<int>  $seconds  after the first */
    #[TestWith([[0, 0, 0, 0, 0], 3, 120])]
    #[TestWith([[0, 0, 60, 60], 0, 0])]
    #[TestWith([[0, 0, 30, 61], 1, 30])]
    #[TestWith([[], 0, 0])]
    public function testSoManyWaitForOneAnother(array $seconds, int $wait, int $longest): void
    {
        $at = new \DateTimeImmutable('2026-03-03T09:00:00Z');
        $moments = array_map(fn (int $after): \DateTimeImmutable => $at->modify("+$after seconds"), $seconds);
        $queue = Queue::of(new Pace(perMinute: 2), $moments);

        self::assertSame([$wait, $longest], [$queue->wait, $queue->longest]);
    }
}
