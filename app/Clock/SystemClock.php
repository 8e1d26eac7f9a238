<?php

declare(strict_types=1);

namespace App\Clock;

use Carbon\CarbonImmutable;
use Psr\Clock\ClockInterface;

final class SystemClock implements ClockInterface
{
    public function now(): \DateTimeImmutable
    {
        // A plain one: the engine reckons with it thousands of times a second.
        return CarbonImmutable::now('UTC')->toDateTimeImmutable();
    }
}
