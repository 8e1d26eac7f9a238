<?php

declare(strict_types=1);

namespace Linnet\Core\Time;

/**
 * The parts of a rule of RFC 5545, read: section 3.3.10, without what comes back oftener than every hour.
 *
 * A weekday is which one (0 for every, negative from the end), and its day from 1 for Monday.
 */
final readonly class RecurrenceRule
{
    private const DAYS = ['MO' => 1, 'TU' => 2, 'WE' => 3, 'TH' => 4, 'FR' => 5, 'SA' => 6, 'SU' => 7];

    /** The least and most of each part that is a list of numbers, and whether it may count from the end. */
    private const LISTS = [
        'BYMONTH' => [1, 12, false], 'BYMONTHDAY' => [1, 31, true], 'BYYEARDAY' => [1, 366, true], 'BYWEEKNO' => [1, 53, true],
        'BYSETPOS' => [1, 366, true], 'BYHOUR' => [0, 23, false], 'BYMINUTE' => [0, 59, false], 'BYSECOND' => [0, 59, false],
    ];

    /**
     * @param  string  $every  HOURLY, DAILY, WEEKLY, MONTHLY or YEARLY
     * @param  array<string, list<int>>  $by  the parts that are lists of numbers
     * @param  list<array{int, int}>  $weekdays
     * @param  array{string, bool}|null  $until  as YmdHis, and whether that is UTC
     */
    private function __construct(
        public string $every,
        public int $interval,
        public ?int $count,
        public ?array $until,
        public int $weekBegins,
        public array $by,
        public array $weekdays,
    ) {
    }

    /** @return self|null null where it cannot be read, or is not for us */
    public static function parse(string $rule): ?self
    {
        $parts = [];
        foreach (array_filter(explode(';', strtoupper(trim($rule))), fn (string $part): bool => $part !== '') as $part) {
            [$name, $value] = [...explode('=', $part, 2), ''];
            if ($value === '' || isset($parts[$name])) {
                return null;
            }
            $parts[$name] = $value;
        }
        $known = ['FREQ', 'INTERVAL', 'COUNT', 'UNTIL', 'WKST', 'BYDAY', ...array_keys(self::LISTS)];
        $every = $parts['FREQ'] ?? '';
        if (
            array_diff(array_keys($parts), $known) !== [] ||
            ! in_array($every, ['HOURLY', 'DAILY', 'WEEKLY', 'MONTHLY', 'YEARLY'], true) ||
            (isset($parts['COUNT']) && isset($parts['UNTIL']))
        ) {
            return null;
        }
        $by = [];
        foreach (array_intersect_key(self::LISTS, $parts) as $name => [$least, $most, $fromTheEnd]) {
            $numbers = self::numbers($parts[$name], $least, $most, $fromTheEnd);
            if ($numbers === null) {
                return null;
            }
            $by[$name] = $numbers;
        }
        $weekdays = isset($parts['BYDAY']) ? self::weekdays($parts['BYDAY']) : [];
        $until = isset($parts['UNTIL']) ? self::until($parts['UNTIL']) : null;
        $interval = self::number($parts['INTERVAL'] ?? '1', 10_000);
        $count = isset($parts['COUNT']) ? self::number($parts['COUNT'], 1_000_000) : null;
        if (
            $weekdays === null ||
            $interval === null ||
            (isset($parts['COUNT']) && $count === null) ||
            (isset($parts['UNTIL']) && $until === null) ||
            ! isset(self::DAYS[$parts['WKST'] ?? 'MO'])
        ) {
            return null;
        }
        $rule = new self($every, $interval, $count, $until, self::DAYS[$parts['WKST'] ?? 'MO'], $by, $weekdays);

        return $rule->isAllowed() ? $rule : null;
    }

    /** Whether a part stands in the rule that chooses days. */
    public function choosesDays(): bool
    {
        return $this->weekdays !== [] || array_intersect_key($this->by, ['BYMONTHDAY' => 1, 'BYYEARDAY' => 1, 'BYWEEKNO' => 1]) !== [];
    }

    /** What the standard's table forbids, and what would come back oftener than every hour. */
    private function isAllowed(): bool
    {
        $numbered = array_filter($this->weekdays, fn (array $day): bool => $day[0] !== 0) !== [];

        return (! $numbered || $this->every === 'MONTHLY' || ($this->every === 'YEARLY' && ! isset($this->by['BYWEEKNO'])))
            && (! isset($this->by['BYWEEKNO']) || $this->every === 'YEARLY')
            && (! isset($this->by['BYYEARDAY']) || in_array($this->every, ['YEARLY', 'HOURLY'], true))
            && (! isset($this->by['BYMONTHDAY']) || $this->every !== 'WEEKLY')
            && (! isset($this->by['BYSETPOS']) || array_diff_key($this->by, ['BYSETPOS' => 1]) !== [] || $this->weekdays !== [])
            && count($this->by['BYMINUTE'] ?? [0]) === 1 && count($this->by['BYSECOND'] ?? [0]) === 1;
    }

    /** @return non-empty-list<int>|null */
    private static function numbers(string $written, int $least, int $most, bool $fromTheEnd): ?array
    {
        $numbers = [];
        foreach (explode(',', $written) as $one) {
            if (
                preg_match('/^([+-]?)(\d{1,3})$/D', $one, $found) !== 1 ||
                ($found[1] !== '' && ! $fromTheEnd) ||
                (int) $found[2] < $least ||
                (int) $found[2] > $most
            ) {
                return null;
            }
            $numbers[] = $found[1] === '-' ? -(int) $found[2] : (int) $found[2];
        }

        return $numbers;
    }

    /** @return list<array{int, int}>|null */
    private static function weekdays(string $written): ?array
    {
        $days = [];
        foreach (explode(',', $written) as $one) {
            if (
                preg_match('/^([+-]?\d{1,2})?(MO|TU|WE|TH|FR|SA|SU)$/D', $one, $found) !== 1 ||
                ($found[1] !== '' && ((int) $found[1] === 0 || abs((int) $found[1]) > 53))
            ) {
                return null;
            }
            $days[] = [(int) $found[1], self::DAYS[$found[2]]];
        }

        return $days;
    }

    private static function number(string $written, int $most): ?int
    {
        return ctype_digit($written) && strlen($written) < 8 && (int) $written >= 1 && (int) $written <= $most ? (int) $written : null;
    }

    /** @return array{string, bool}|null */
    private static function until(string $written): ?array
    {
        if (
            preg_match('/^(\d{4})(\d\d)(\d\d)(?:T(\d{6})(Z?))?$/D', $written, $found) !== 1 ||
            ! checkdate((int) $found[2], (int) $found[3], (int) $found[1])
        ) {
            return null;
        }

        // A day with no time is there to its last second.
        return [$found[1].$found[2].$found[3].(($found[4] ?? '') === '' ? '235959' : $found[4]), ($found[5] ?? '') === 'Z'];
    }
}
