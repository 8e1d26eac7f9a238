<?php

declare(strict_types=1);

namespace Demo;

use Psr\Clock\ClockInterface;

/** A clock that one process moves by hand. */
final class HandClock implements ClockInterface
{
    public function __construct(private \DateTimeImmutable $now)
    {
    }

    public function now(): \DateTimeImmutable
    {
        return $this->now;
    }

    public function moveTo(\DateTimeImmutable $moment): void
    {
        $this->now = max($moment, $this->now);
    }
}
