<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Time\Day;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\WeeklyHours;

/** The shape of a test's value. */
enum Takes: string
{
    case Nothing = 'nothing';
    case Value = 'value';
    case Text = 'text';
    case Number = 'number';
    case Values = 'values';
    case TwoNumbers = 'two_numbers';
    case Date = 'date';
    case Days = 'days';
    case Weekdays = 'weekdays';

    public function accepts(mixed $value): bool
    {
        return match ($this) {
            self::Nothing => $value === null,
            self::Value => is_scalar($value),
            self::Text => is_string($value) && trim($value) !== '',
            self::Number => is_int($value) || is_float($value),
            self::Values => self::isListOf($value, is_scalar(...)),
            self::TwoNumbers => self::isListOf($value, fn (mixed $v): bool => is_int($v) || is_float($v)) &&
                is_array($value) &&
                count($value) === 2,
            self::Date => is_string($value) && (Day::parse($value) !== null || Moment::parse($value) !== null),
            self::Days => is_int($value) && $value >= 0 && $value <= 3650,
            self::Weekdays => self::isListOf($value, fn (mixed $v): bool => in_array($v, WeeklyHours::DAYS, true)),
        };
    }

    /** @param  callable(mixed): bool  $accepts */
    private static function isListOf(mixed $value, callable $accepts): bool
    {
        return is_array($value) &&
            $value !== [] &&
            array_is_list($value) &&
            array_filter($value, fn (mixed $v): bool => ! $accepts($v)) === [];
    }
}
