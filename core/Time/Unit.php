<?php

declare(strict_types=1);

namespace Linnet\Core\Time;

enum Unit: string
{
    /** Elapsed time. */
    case Minutes = 'minutes';
    case Hours = 'hours';
    /** Days, weeks and months keep the clock on the wall. */
    case Days = 'days';
    case Weeks = 'weeks';
    case Months = 'months';
    /** Days that are neither weekend nor holiday. */
    case WorkingDays = 'working_days';

    /** The most of it a rule may wait: about ten years. */
    public function most(): int
    {
        return match ($this) {
            self::Minutes => 5_256_000,
            self::Hours => 87_600,
            self::Days => 3_650,
            self::Weeks => 520,
            self::Months => 120,
            self::WorkingDays => 1_000,
        };
    }
}
