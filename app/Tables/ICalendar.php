<?php

declare(strict_types=1);

namespace App\Tables;

use Linnet\Core\Intake\Refused;
use Linnet\Core\Reason;
use Linnet\Core\Time\Recurrence;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\InvalidDataException;
use Sabre\VObject\Parameter;
use Sabre\VObject\ParseException;
use Sabre\VObject\Property;
use Sabre\VObject\Reader;
use Sabre\VObject\Recur\MaxInstancesExceededException;
use Sabre\VObject\Recur\NoInstancesException;
use Sabre\VObject\Settings;

/** A calendar (RFC 5545) as rows: each event, and each time of one that repeats within the horizon, under a name that stays its own. */
final class ICalendar
{
    public const COLUMNS = [
        'Name', 'Title', 'Starts', 'Ends', 'All day', 'Status', 'Place', 'Description', 'Organiser', 'Organiser email', 'Guests',
        'Guest emails', 'Categories', 'Link', 'Changed', 'Sequence',
    ];

    private const PAST_DAYS = 31;

    private const AHEAD_DAYS = 370;

    private const MOST_BYTES = 20_000_000;

    private const MOST_TIMES = 3500;

    private const MOST_SECONDS = 20;

    /** @param  \DateTimeZone  $zone  of times that name none */
    public static function read(string $path, TableWriter $table, \DateTimeImmutable $now, \DateTimeZone $zone): void
    {
        if (filesize($path) > self::MOST_BYTES) {
            throw Refused::because('unreadable', ['format' => 'a calendar', 'detail' => 'it is larger than 20 MB.']);
        }
        $table->row(self::COLUMNS);
        try {
            $calendar = Reader::read(
                self::readable((string) file_get_contents($path)),
                Reader::OPTION_FORGIVING | Reader::OPTION_IGNORE_INVALID_LINES,
                'UTF-8',
            );
        } catch (ParseException $e) {
            throw Refused::because('unreadable', [
                'format' => 'a calendar',
                'detail' => mb_substr(mb_scrub($e->getMessage(), 'UTF-8'), 0, 120, 'UTF-8'),
            ]);
        }
        if (! $calendar instanceof VCalendar) {
            throw Refused::because('unreadable', ['format' => 'a calendar', 'detail' => 'it is something else.']);
        }
        Settings::$maxRecurrences = self::MOST_TIMES;
        $zones = new CalendarZones($calendar, $zone, $now);
        $began = hrtime(true);
        $from = $now->modify('-'.self::PAST_DAYS.' days');
        $until = $now->modify('+'.self::AHEAD_DAYS.' days');
        foreach (self::byName($calendar) as $events) {
            array_map($zones->settle(...), $events);
            if (! array_reduce($events, fn (bool $all, VEvent $event): bool => self::unroll($event, $from, $until, $zone) && $all, true)) {
                $table->note(
                    new Reason('intake.not_followed', [
                        'title' => mb_substr(self::text($events[0], 'SUMMARY'), 0, 60, 'UTF-8'),
                        'rule' => mb_substr(self::text($events[0], 'X-LINNET-RULE'), 0, 80, 'UTF-8'),
                    ]),
                );
            }
            foreach (self::times($events, $calendar, $from, $until, $zone) as $event) {
                $table->row(self::row($event, $zone));
            }
            if (hrtime(true) - $began > self::MOST_SECONDS * 1_000_000_000) {
                throw Refused::because('unreadable', [
                    'format' => 'a calendar',
                    'detail' => 'its events take too long to work out. Publish fewer of them.',
                ]);
            }
        }
    }

    /** Unfolded, and with rules that are none under another name: one such line would end the reading of all. */
    private static function readable(string $text): string
    {
        $text = (string) preg_replace('/\r?\n[ \t]/', '', $text);

        return (string) preg_replace(
            '/^(?:RRULE|EXRULE)[^:\r\n]*:(?![A-Z-]+=[^=;\r\n]*(?:;[A-Z-]+=[^=;\r\n]*)*;?\r?$)/mi',
            'X-LINNET-RULE:',
            $text,
        );
    }

    /**
     * Puts the times of an event that comes back into the place of its rule: those from the horizon, by our own reckoning, which ends
     * whatever the rule is.
     *
     * @return bool whether the rule could be followed; where it could not, its first time stays
     */
    private static function unroll(VEvent $event, \DateTimeImmutable $from, \DateTimeImmutable $until, \DateTimeZone $zone): bool
    {
        $rules = $event->select('RRULE');
        $starts = $event->select('DTSTART')[0] ?? null;
        if ($rules === [] || ! $starts instanceof Property\ICalendar\DateTime) {
            return $event->select('X-LINNET-RULE') === [];
        }
        try {
            $first = \DateTimeImmutable::createFromInterface($starts->getDateTime($zone));
        } catch (\Throwable) {
            $first = null;
        }
        $written = implode(' ', array_map(fn ($rule): string => (string) $rule, $rules));
        $recurrence = $first === null || count($rules) > 1 ? null : Recurrence::of($first, $written);
        $event->remove('RRULE');
        if ($first === null || $recurrence === null) {
            $event->add('X-LINNET-RULE', $written);

            return false;
        }
        // An event that began before the horizon may still be going on.
        $times = array_map(
            fn (\DateTimeImmutable $at): \DateTimeImmutable => $at->setTimezone($first->getTimezone()),
            $recurrence->between($from->modify('-14 days'), $until, self::MOST_TIMES),
        );
        foreach ($event->select('RDATE') as $more) {
            array_push($times, ...$more instanceof Property\ICalendar\DateTime ? $more->getDateTimes($zone) : []);
        }
        $times = array_filter($times, fn (\DateTimeInterface $at): bool => $at != $first);
        usort($times, fn (\DateTimeInterface $a, \DateTimeInterface $b): int => $a <=> $b);
        $event->remove('RDATE');
        if ($times !== []) {
            $event->add('RDATE', $times, $starts->hasTime() ? [] : ['VALUE' => 'DATE']);
        }

        return true;
    }

    /** @return array<string, list<VEvent>> */
    private static function byName(VCalendar $calendar): array
    {
        $events = [];
        foreach ($calendar->select('VEVENT') as $event) {
            if ($event instanceof VEvent && $event->select('DTSTART') !== []) {
                $events[self::text($event, 'UID') ?: hash('xxh64', $event->serialize())][] = $event;
            }
        }

        return $events;
    }

    /**
     * @param  list<VEvent>  $events  one event, with the times of it that differ
     * @return iterable<VEvent>
     */
    private static function times(
        array $events,
        VCalendar $calendar,
        \DateTimeImmutable $from,
        \DateTimeImmutable $until,
        \DateTimeZone $zone,
    ): iterable {
        $alone = new VCalendar([], false);
        foreach ($calendar->select('VTIMEZONE') as $known) {
            $alone->add(clone $known);
        }
        foreach ($events as $event) {
            $alone->add(clone $event);
        }
        try {
            foreach ($alone->expand($from, $until, $zone)->select('VEVENT') as $time) {
                if ($time instanceof VEvent) {
                    yield $time;
                }
            }
        } catch (MaxInstancesExceededException|NoInstancesException|InvalidDataException|\InvalidArgumentException) {
            // A rule that never ends within reason, or has no time at all, gives nothing.
            return;
        }
    }

    /** @return list<string> */
    private static function row(VEvent $event, \DateTimeZone $zone): array
    {
        $starts = $event->select('DTSTART')[0] ?? null;
        $ends = $event->select('DTEND')[0] ?? null;
        $lasts = $event->select('DURATION')[0] ?? null;
        $begin =
            $starts instanceof Property\ICalendar\DateTime ? \DateTimeImmutable::createFromInterface($starts->getDateTime($zone)) : null;
        $allDay = $starts instanceof Property\ICalendar\DateTime && ! $starts->hasTime();
        $end = match (true) {
            $ends instanceof Property\ICalendar\DateTime => \DateTimeImmutable::createFromInterface($ends->getDateTime($zone)),
            $lasts instanceof Property\ICalendar\Duration && $begin !== null => $begin->add($lasts->getDateInterval()),
            default => $begin,
        };
        $write = fn (?\DateTimeImmutable $at): string => $at === null
            ? ''
            : ($allDay
                ? $at->format('Y-m-d')
                : $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z'));
        $again = $event->select('RECURRENCE-ID')[0] ?? null;
        [$guests, $emails] = self::people($event, 'ATTENDEE');
        [$organisers, $organiserEmails] = self::people($event, 'ORGANIZER');

        return [
            self::text($event, 'UID').($again instanceof Property ? '/'.preg_replace('/\W/', '', (string) $again) : ''),
            self::text($event, 'SUMMARY'), $write($begin), $write($end), $allDay ? 'yes' : 'no',
            mb_strtolower(self::text($event, 'STATUS') ?: 'confirmed', 'UTF-8'), self::text($event, 'LOCATION'),
            self::text($event, 'DESCRIPTION'), $organisers, $organiserEmails, $guests, $emails, self::text($event, 'CATEGORIES'),
            self::text($event, 'URL'), self::changed($event), self::text($event, 'SEQUENCE'),
        ];
    }

    private static function changed(VEvent $event): string
    {
        $changed = $event->select('LAST-MODIFIED')[0] ?? null;

        return $changed instanceof Property\ICalendar\DateTime
            ? $changed->getDateTime()->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z')
            : '';
    }

    private static function text(VEvent $event, string $name): string
    {
        $found = $event->select($name)[0] ?? null;

        return $found instanceof Property ? trim((string) $found) : '';
    }

    /** @return array{string, string} names and emails, with commas between */
    private static function people(VEvent $event, string $name): array
    {
        $names = $emails = [];
        foreach ($event->select($name) as $person) {
            $address = $person instanceof Property ? (string) $person : '';
            $emails[] = (string) preg_replace('/^mailto:/i', '', $address);
            $called = $person instanceof Property ? $person->offsetGet('CN') : null;
            $names[] = $called instanceof Parameter ? (string) $called->getValue() : '';
        }

        return [implode(', ', array_filter($names)), implode(', ', array_filter($emails))];
    }
}
