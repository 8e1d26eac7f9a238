<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

/** In which order a date's numbers stand. */
enum DateOrder: string
{
    case DayMonthYear = 'dmy';
    case MonthDayYear = 'mdy';
    case YearMonthDay = 'ymd';

    public function example(): string
    {
        return match ($this) {
            self::DayMonthYear => '31/12/2026 18:30',
            self::MonthDayYear => '12/31/2026 6:30 PM',
            self::YearMonthDay => '2026-12-31 18:30',
        };
    }
}
