<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\Time\Day;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\Zone;

/** Reads a date, with or without a time, as people and systems write it. */
final class WrittenDate
{
    private const MONTHS = [
        'jan' => 1, 'feb' => 2, 'mar' => 3, 'apr' => 4, 'may' => 5, 'jun' => 6, 'jul' => 7, 'aug' => 8, 'sep' => 9, 'oct' => 10,
        'nov' => 11, 'dec' => 12,
    ];

    private const TIME = '/^(?:T|at )?\s*(\d{1,2})(?::(\d\d)(?::(\d\d)(?:[.,]\d{1,9})?)?)? ?([ap]\.?m\.?)? ?(Z|UTC|GMT|[+-]\d\d(?::?\d\d)?)?$/i';

    /**
     * @param  \DateTimeZone  $zone  whose clock a time without an offset was read from; a time that does not exist there moves forward by
     *                               the gap, one that exists twice is the first
     * @return Moment|Day|null a day where no time is written; null for what is no date
     */
    public static function parse(string $written, DateOrder $order, \DateTimeZone $zone): Moment|Day|null
    {
        $text = trim(preg_replace('/[\s\x{00A0}\x{202F}]+/u', ' ', $written) ?? '');
        $text = preg_replace('/^(mon|tue|wed|thu|fri|sat|sun)[a-z]*\.?,? /i', '', $text) ?? $text;
        $date = self::date($text, $order);
        if ($date === null) {
            return null;
        }
        [$day, $rest] = $date;
        $rest = trim($rest, ' ,');

        return $rest === '' ? Day::parse($day) : self::moment($day, $rest, $zone);
    }

    /** The moment of a day at a time such as "14:30", "2 pm" or "T08:00:00.5+01". */
    private static function moment(string $day, string $written, \DateTimeZone $zone): ?Moment
    {
        if (preg_match(self::TIME, $written, $part) !== 1) {
            return null;
        }
        [$hour, $minute, $second] = [(int) $part[1], (int) ($part[2] ?? 0), (int) ($part[3] ?? 0)];
        $half = strtolower(str_replace('.', '', $part[4] ?? ''));
        $isHour = $half === '' ? ($part[2] ?? '') !== '' && $hour <= 23 : $hour >= 1 && $hour <= 12;
        if (! $isHour || $minute > 59 || $second > 59) {
            return null;
        }
        $hour = $half === '' ? $hour : $hour % 12 + ($half === 'pm' ? 12 : 0);
        // Set from midnight on, so that a time the autumn change repeats is its first.
        $at = (new \DateTimeImmutable($day, self::clock(strtoupper($part[5] ?? ''), $zone)))->setTime($hour, $minute, $second);

        return new Moment($at->setTimezone(Zone::utc()));
    }

    private static function clock(string $offset, \DateTimeZone $zone): \DateTimeZone
    {
        return match (true) {
            $offset === '' => $zone,
            in_array($offset, ['Z', 'UTC', 'GMT'], true) => Zone::utc(),
            default => new \DateTimeZone(strlen($offset) === 3 ? "$offset:00" : $offset),
        };
    }

    /** @return array{string, string}|null the day as YYYY-MM-DD, and what follows it */
    private static function date(string $text, DateOrder $order): ?array
    {
        $named = '(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.?';
        $month = fn (string $name): string => (string) self::MONTHS[strtolower($name)];
        $p = [];
        $matches = function (string $pattern) use ($text, &$p): bool {
            return preg_match($pattern, $text, $p) === 1;
        };
        [$day, $month, $year] = match (true) {
            $matches('/^(\d{4})[-\/.](\d{1,2})[-\/.](\d{1,2})(?!\d)/') => [$p[3], $p[2], $p[1]],
            $matches('/^(\d{4})(\d\d)(\d\d)(?=T|$)/') => [$p[3], $p[2], $p[1]],
            $matches('/^(\d{1,2})(?:st|nd|rd|th)?[ -]'.$named.',?[ -](\d{4}|\d\d)(?!\d)/i') => [$p[1], $month($p[2]), $p[3]],
            $matches('/^'.$named.' (\d{1,2})(?:st|nd|rd|th)?,? (\d{4})(?!\d)/i') => [$p[2], $month($p[1]), $p[3]],
            $order !== DateOrder::YearMonthDay && $matches('/^(\d{1,2})[-\/. ](\d{1,2})[-\/. ](\d{4}|\d\d)(?!\d)/') => match ($order) {
                DateOrder::DayMonthYear => [$p[1], $p[2], $p[3]],
                default => [$p[2], $p[1], $p[3]],
            },
            default => [null, null, null],
        };
        if ($day === null || $month === null || $year === null) {
            return null;
        }
        $century = strlen($year) === 2 ? ((int) $year < 70 ? 2000 : 1900) : 0;

        return checkdate((int) $month, (int) $day, (int) $year + $century)
            ? [sprintf('%04d-%02d-%02d', (int) $year + $century, (int) $month, (int) $day), substr($text, strlen($p[0]))]
            : null;
    }
}
