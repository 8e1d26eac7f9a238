<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Grammar;

use Linnet\Core\Prose\Phrase\Mapped;
use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\Phrase\Several;
use Linnet\Core\Prose\Slot\DaySlot;
use Linnet\Core\Prose\Slot\OneOf;
use Linnet\Core\Prose\Slot\Quoted;
use Linnet\Core\Prose\Slot\TimeSlot;
use Linnet\Core\Prose\Slot\Whole;

/**
 * Moments that come back, in words and back: "every month on the first Monday at 10:00, from 2 March 2026". Over "at" and "recurrence".
 *
 * Source: RFC 5545 section 3.3.10 (RRULE). What is not said in words stands as it is written, in quotes.
 */
final class Recurrences
{
    private const EACH = [
        'HOURLY' => ['hour', 'hours'], 'DAILY' => ['day', 'days'], 'WEEKLY' => ['week', 'weeks'], 'MONTHLY' => ['month', 'months'],
        'YEARLY' => ['year', 'years'],
    ];

    private const WHICH = [
        '' => '', 'first' => '1', 'second' => '2', 'third' => '3', 'fourth' => '4', 'fifth' => '5', 'last' => '-1',
        'second to last' => '-2',
    ];

    private const DAYS = [
        'Monday' => 'MO', 'Tuesday' => 'TU', 'Wednesday' => 'WE', 'Thursday' => 'TH', 'Friday' => 'FR', 'Saturday' => 'SA',
        'Sunday' => 'SU',
    ];

    /** The parts of a rule in the order in which Linnet writes them. */
    private const ORDER = ['FREQ', 'INTERVAL', 'BYMONTH', 'BYMONTHDAY', 'BYDAY', 'COUNT', 'UNTIL'];

    public static function of(): Phrase
    {
        $time = Make::slot('time', new TimeSlot);
        $day = Make::slot('day', new DaySlot);

        return Make::any(
            new Mapped(
                ['at', 'recurrence'],
                Make::any(Make::seq('on', $day, 'at', $time), Make::seq(self::rule(), 'at', $time, ', from', $day, self::ends())),
                self::apart(...), self::together(...),
            ),
            Make::last(
                new Mapped(
                    ['at', 'recurrence'], Make::seq('by the rule', Make::slot('rule', new Quoted('rule')), 'at', $time, ', from', $day),
                    self::raw(...), self::together(...),
                ),
            ),
        );
    }

    private static function rule(): Phrase
    {
        $every = [];
        foreach (self::EACH as $freq => [$one, $many]) {
            $every[] = Make::seq(Make::means(['FREQ' => $freq]), Make::turn("every $one", 'recurrence'));
            $every[] = Make::seq(Make::means(['FREQ' => $freq]), 'every', Make::slot('INTERVAL', new Whole(2, 10_000, $one, $many)));
        }
        $and = Make::seq('and');
        $comma = Make::any(',', Make::also('and'));
        $weekdays = [];
        foreach (self::WHICH as $words => $which) {
            foreach (self::DAYS as $name => $day) {
                $weekdays[$words === '' ? $name : "the $words $name"] = $which.$day;
            }
        }
        $months = array_combine(DaySlot::MONTHS, array_map(strval(...), range(1, 12)));
        $dates = [];
        foreach (range(1, 31) as $date) {
            $ending = [1 => 'st', 2 => 'nd', 3 => 'rd'][$date % 10] ?? 'th';
            $dates["the $date".(in_array($date, [11, 12, 13], true) ? 'th' : $ending)] = (string) $date;
        }
        $dates['the last day'] = '-1';
        $several = fn (string $key, OneOf $slot): Phrase => new Several($key, Make::slot(Several::SELF, $slot), $comma, $and);

        return Make::seq(
            Make::any(...$every),
            Make::maybe('in', $several('BYMONTH', OneOf::words('month', $months))),
            Make::maybe('on', $several('BYMONTHDAY', OneOf::words('day', $dates))),
            Make::maybe('on', $several('BYDAY', OneOf::words('weekday', $weekdays))),
        );
    }

    private static function ends(): Phrase
    {
        return Make::any(
            Make::seq(',', Make::slot('COUNT', new Whole(1, 1_000_000, 'time', 'times')), 'in all'),
            Make::seq(Make::free(','), 'until', Make::slot('UNTIL', new DaySlot)),
            Make::seq(''),
        );
    }

    /**
     * @param  array<array-key, mixed>  $document
     * @return array<array-key, mixed>|null
     */
    private static function apart(array $document): ?array
    {
        if (! is_string($document['at'] ?? null) || preg_match('/^(\d{4}-\d\d-\d\d)T(\d\d:\d\d)$/D', $document['at'], $at) !== 1) {
            return null;
        }
        $moment = ['day' => $at[1], 'time' => $at[2]];
        $rule = $document['recurrence'] ?? null;
        if (! is_string($rule)) {
            return $rule === null ? $moment : null;
        }
        $parts = self::parts($rule);

        return $parts !== null && self::written($parts) === $rule ? $parts + $moment : null;
    }

    /**
     * @param  array<array-key, mixed>  $document
     * @return array<array-key, mixed>|null
     */
    private static function raw(array $document): ?array
    {
        $moment = self::apart(array_diff_key($document, ['recurrence' => 1]));

        return $moment === null || ! isset($document['recurrence']) ? null : ['rule' => $document['recurrence']] + $moment;
    }

    /**
     * @param  array<array-key, mixed>  $said
     * @return array<array-key, mixed>
     */
    private static function together(array $said): array
    {
        $at = ['at' => (is_string($said['day'] ?? null) ? $said['day'] : '').'T'.(is_string($said['time'] ?? null) ? $said['time'] : '')];
        $rule = $said['rule'] ?? (isset($said['FREQ']) ? self::written($said) : null);

        return $at + ($rule === null ? [] : ['recurrence' => $rule]);
    }

    /**
     * The parts of a rule that words can say; null where one is not among them.
     *
     * @return array<string, mixed>|null
     */
    private static function parts(string $rule): ?array
    {
        $parts = [];
        foreach (explode(';', $rule) as $part) {
            [$name, $value] = [...explode('=', $part, 2), ''];
            $parts[$name] = match (true) {
                in_array($name, ['BYMONTH', 'BYMONTHDAY', 'BYDAY'], true) => explode(',', $value),
                in_array($name, ['INTERVAL', 'COUNT'], true) && ctype_digit($value) => (int) $value,
                $name === 'UNTIL' && preg_match('/^\d{8}$/D', $value) === 1 => substr($value, 0, 4).
                    '-'.
                    substr($value, 4, 2).
                    '-'.
                    substr($value, 6, 2),
                $name === 'FREQ' => $value,
                default => null,
            };
            if ($parts[$name] === null) {
                return null;
            }
        }

        return $parts;
    }

    /** @param  array<array-key, mixed>  $parts */
    private static function written(array $parts): string
    {
        $rule = [];
        foreach (array_intersect(self::ORDER, array_keys($parts)) as $name) {
            $value = $parts[$name];
            $rule[] = "$name=".match (true) {
                is_array($value) => implode(',', array_filter($value, is_string(...))),
                $name === 'UNTIL' && is_string($value) => str_replace('-', '', $value),
                default => is_scalar($value) ? (string) $value : '',
            };
        }

        return implode(';', $rule);
    }
}
