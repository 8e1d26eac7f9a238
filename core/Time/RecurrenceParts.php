<?php

declare(strict_types=1);

namespace Linnet\Core\Time;

/**
 * Whether a rule of RFC 5545 can come about at all. One that never does would be looked for without end, so what cannot be shown to come
 * about is not followed: weeks and days of a year by number, and parts that rule each other out.
 */
final class RecurrenceParts
{
    private const ALLOWED = [
        'HOURLY' => ['BYDAY', 'BYMONTH'], 'DAILY' => ['BYDAY', 'BYMONTH', 'BYMONTHDAY', 'BYHOUR'], 'WEEKLY' => ['BYDAY', 'BYMONTH', 'BYHOUR'],
        'MONTHLY' => ['BYDAY', 'BYMONTH', 'BYMONTHDAY', 'BYSETPOS'], 'YEARLY' => ['BYDAY', 'BYMONTH', 'BYMONTHDAY'],
    ];

    /** How far apart the moments may lie where further parts choose among them. */
    private const WIDEST = ['HOURLY' => 12, 'DAILY' => 6, 'WEEKLY' => 4, 'MONTHLY' => 12, 'YEARLY' => 4];

    private const DAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];

    public static function canComeAbout(\DateTimeImmutable $first, string $rule): bool
    {
        $parts = [];
        foreach (array_filter(explode(';', strtoupper($rule))) as $part) {
            [$name, $value] = explode('=', $part, 2) + [1 => ''];
            $parts[$name] = explode(',', $value);
        }
        $every = $parts['FREQ'][0] ?? '';
        $by = array_diff(array_keys($parts), ['FREQ', 'INTERVAL', 'COUNT', 'UNTIL', 'WKST']);
        $interval = $parts['INTERVAL'][0] ?? '1';
        if (! isset(self::ALLOWED[$every]) || array_diff($by, self::ALLOWED[$every]) !== [] || ! ctype_digit($interval) || (int) $interval < 1) {
            return false;
        }

        return self::within($parts, 'BYMONTH', 1, 12, false) && self::within($parts, 'BYMONTHDAY', 1, 31, true) && self::within($parts, 'BYHOUR', 0, 23, false) && self::within($parts, 'BYSETPOS', 1, 4, true)
            && ($by === [] || (int) $interval <= self::WIDEST[$every])
            && self::weekdays($parts, $every) && self::days($first, $parts, $every, (int) $interval);
    }

    /** @param  array<string, list<string>>  $parts */
    private static function within(array $parts, string $name, int $least, int $most, bool $fromTheEnd): bool
    {
        foreach ($parts[$name] ?? [] as $written) {
            $number = $fromTheEnd ? ltrim($written, '+-') : $written;
            if (! ctype_digit($number) || (int) $number < $least || (int) $number > $most) {
                return false;
            }
        }

        return true;
    }

    /**
     * The first to the fourth of a weekday is there in every month, a fifth is not.
     *
     * @param  array<string, list<string>>  $parts
     */
    private static function weekdays(array $parts, string $every): bool
    {
        foreach ($parts['BYDAY'] ?? [] as $written) {
            if (preg_match('/^([+-]?\d{1,2})?('.implode('|', self::DAYS).')$/D', $written, $found) !== 1) {
                return false;
            }
            $which = abs((int) $found[1]);
            if ($found[1] !== '' && ($which < 1 || $which > ($every === 'YEARLY' && ! isset($parts['BYMONTH']) ? 52 : 4) || ! in_array($every, ['MONTHLY', 'YEARLY'], true) || isset($parts['BYSETPOS']) || isset($parts['BYMONTHDAY']))) {
                return false;
            }
        }

        return ! isset($parts['BYSETPOS']) || isset($parts['BYDAY']);
    }

    /**
     * A month that is come past has one of the days.
     *
     * @param  array<string, list<string>>  $parts
     */
    private static function days(\DateTimeImmutable $first, array $parts, string $every, int $interval): bool
    {
        $began = (int) $first->format('n');
        $months = $every === 'MONTHLY' ? array_map(fn (int $k): int => ($began - 1 + $k * $interval) % 12 + 1, range(0, 11)) : ($every === 'YEARLY' && ! isset($parts['BYMONTH']) ? [$began] : range(1, 12));
        if (isset($parts['BYMONTH'])) {
            $months = array_intersect($months, array_map(intval(...), $parts['BYMONTH']));
        }
        $days = array_map(intval(...), $parts['BYMONTHDAY'] ?? (isset($parts['BYDAY']) || ! in_array($every, ['MONTHLY', 'YEARLY'], true) ? ['1'] : [$first->format('j')]));
        foreach (array_unique($months) as $month) {
            foreach ($days as $day) {
                $has = $month === 2 ? 28 : (in_array($month, [4, 6, 9, 11], true) ? 30 : 31);
                // A leap day comes about where it is come past: from a leap year on, every year or every fourth.
                $leaps = $month === 2 && abs($day) === 29 && ($interval === 1 || ($every === 'YEARLY' && $first->format('L') === '1' && $interval === 4));
                if (abs($day) <= $has || $leaps) {
                    return true;
                }
            }
        }

        return false;
    }
}
