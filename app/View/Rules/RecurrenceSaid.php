<?php

declare(strict_types=1);

namespace App\View\Rules;

/** A recurrence (RFC 5545) in words, as far as they are usual; otherwise as it is written. */
final class RecurrenceSaid
{
    private const DAYS = ['MO' => 'Monday', 'TU' => 'Tuesday', 'WE' => 'Wednesday', 'TH' => 'Thursday', 'FR' => 'Friday', 'SA' => 'Saturday', 'SU' => 'Sunday'];

    private const EACH = ['HOURLY' => 'hour', 'DAILY' => 'day', 'WEEKLY' => 'week', 'MONTHLY' => 'month', 'YEARLY' => 'year'];

    private const WHICH = ['1' => 'first', '2' => 'second', '3' => 'third', '4' => 'fourth', '-1' => 'last'];

    public static function of(string $rule): string
    {
        parse_str(str_replace(';', '&', strtoupper($rule)), $parts);
        $every = self::EACH[is_string($parts['FREQ'] ?? null) ? $parts['FREQ'] : ''] ?? null;
        $interval = is_string($parts['INTERVAL'] ?? null) ? (int) $parts['INTERVAL'] : 1;
        if ($every === null || array_diff_key($parts, ['FREQ' => 1, 'INTERVAL' => 1, 'BYDAY' => 1, 'BYMONTHDAY' => 1, 'COUNT' => 1]) !== []) {
            return "by the rule $rule";
        }
        $days = array_map(function (string $day): string {
            preg_match('/^(-?\d)?([A-Z]{2})$/', $day, $part);
            $name = self::DAYS[$part[2] ?? ''] ?? $day;

            return ($part[1] ?? '') === '' ? $name : 'the '.(self::WHICH[$part[1]] ?? $part[1].'th')." $name";
        }, is_string($parts['BYDAY'] ?? null) ? explode(',', $parts['BYDAY']) : []);
        $dates = is_string($parts['BYMONTHDAY'] ?? null) ? ' on day '.str_replace(',', ' and ', $parts['BYMONTHDAY']) : '';

        return ($interval === 1 ? "every $every" : "every $interval {$every}s").($days === [] ? '' : ' on '.implode(' and ', $days)).$dates.(is_string($parts['COUNT'] ?? null) ? ", {$parts['COUNT']} times" : '');
    }
}
