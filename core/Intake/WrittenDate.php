<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\Time\Day;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\Zone;

/** Reads a date, with or without a time, as people and systems write it. */
final class WrittenDate
{
    private const MONTHS = ['jan' => 1, 'feb' => 2, 'mar' => 3, 'apr' => 4, 'may' => 5, 'jun' => 6, 'jul' => 7, 'aug' => 8, 'sep' => 9, 'oct' => 10, 'nov' => 11, 'dec' => 12];

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
        if ($rest === '') {
            return Day::parse($day);
        }
        if (preg_match('/^(?:T|at )?\s*(\d{1,2})(?::(\d\d)(?::(\d\d)(?:[.,]\d{1,9})?)?)? ?([ap]\.?m\.?)? ?(Z|UTC|GMT|[+-]\d\d(?::?\d\d)?)?$/i', $rest, $time) !== 1) {
            return null;
        }
        $half = strtolower(str_replace('.', '', $time[4] ?? ''));
        $hour = (int) $time[1];
        if (($half === '' && ($time[2] ?? '') === '') || $hour > ($half === '' ? 23 : 12) || ($half !== '' && $hour === 0) || (int) ($time[2] ?? 0) > 59 || (int) ($time[3] ?? 0) > 59) {
            return null;
        }
        $hour = $half === '' ? $hour : $hour % 12 + ($half === 'pm' ? 12 : 0);
        $offset = strtoupper($time[5] ?? '');
        $clock = $offset === '' ? $zone : (in_array($offset, ['Z', 'UTC', 'GMT'], true) ? Zone::utc() : new \DateTimeZone(strlen($offset) === 3 ? "$offset:00" : $offset));
        // Set from midnight on, so that a time the autumn change repeats is its first.
        $at = (new \DateTimeImmutable($day, $clock))->setTime($hour, (int) ($time[2] ?? 0), (int) ($time[3] ?? 0));

        return new Moment($at->setTimezone(Zone::utc()));
    }

    /** @return array{string, string}|null the day as YYYY-MM-DD, and what follows it */
    private static function date(string $text, DateOrder $order): ?array
    {
        $named = '(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.?';
        [$day, $month, $year, $length] = match (true) {
            preg_match('/^(\d{4})[-\/.](\d{1,2})[-\/.](\d{1,2})(?!\d)/', $text, $p) === 1 => [$p[3], $p[2], $p[1], strlen($p[0])],
            preg_match('/^(\d{4})(\d\d)(\d\d)(?=T|$)/', $text, $p) === 1 => [$p[3], $p[2], $p[1], strlen($p[0])],
            preg_match('/^(\d{1,2})(?:st|nd|rd|th)?[ -]'.$named.',?[ -](\d{4}|\d\d)(?!\d)/i', $text, $p) === 1 => [$p[1], (string) self::MONTHS[strtolower($p[2])], $p[3], strlen($p[0])],
            preg_match('/^'.$named.' (\d{1,2})(?:st|nd|rd|th)?,? (\d{4})(?!\d)/i', $text, $p) === 1 => [$p[2], (string) self::MONTHS[strtolower($p[1])], $p[3], strlen($p[0])],
            $order !== DateOrder::YearMonthDay && preg_match('/^(\d{1,2})[-\/. ](\d{1,2})[-\/. ](\d{4}|\d\d)(?!\d)/', $text, $p) === 1 => $order === DateOrder::DayMonthYear
                ? [$p[1], $p[2], $p[3], strlen($p[0])]
                : [$p[2], $p[1], $p[3], strlen($p[0])],
            default => [null, null, null, 0],
        };
        if ($day === null || $month === null || $year === null) {
            return null;
        }
        $century = strlen($year) === 2 ? ((int) $year < 70 ? 2000 : 1900) : 0;

        return checkdate((int) $month, (int) $day, (int) $year + $century)
            ? [sprintf('%04d-%02d-%02d', (int) $year + $century, (int) $month, (int) $day), substr($text, $length)]
            : null;
    }
}
