<?php

declare(strict_types=1);

namespace App\Tables;

use Linnet\Core\Time\Recurrence;
use Sabre\VObject\Component;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Parameter;
use Sabre\VObject\Property;
use Sabre\VObject\TimeZoneUtil;

/**
 * The zones of a calendar by the names it uses (RFC 5545, section 3.6.5): known ones by their name; one that only the calendar itself
 * describes is the known zone whose clocks go as described, else the offset described for the day.
 */
final class CalendarZones
{
    /** @var array<string, \DateTimeZone|Component|null> by name: the zone, or its description where no known one goes alike */
    private array $zones = [];

    /** @param  \DateTimeZone  $ours  tried first, and taken where nothing is described */
    public function __construct(
        private readonly VCalendar $calendar,
        private readonly \DateTimeZone $ours,
        private readonly \DateTimeImmutable $now,
    ) {
    }

    /** Puts every date of a component into a zone that is known. */
    public function settle(Component $event): void
    {
        foreach ($event->children() as $property) {
            $named = $property instanceof Property\ICalendar\DateTime ? $property->offsetGet('TZID') : null;
            $name = $named instanceof Parameter ? (string) $named->getValue() : '';
            if (! $property instanceof Property\ICalendar\DateTime || $name === '' || ! $property->hasTime()) {
                continue;
            }
            $times = array_map(
                fn (\DateTimeInterface $at): string => $at->format('Y-m-d H:i:s'),
                $property->getDateTimes(new \DateTimeZone('UTC')),
            );
            $property->setDateTimes(
                array_map(function (string $wall) use ($name): \DateTimeImmutable {
                    $zone = $this->zone($name, $wall);
                    $at = new \DateTimeImmutable($wall, $zone);

                    // A bare offset has no name that a calendar could give.
                    return preg_match('/^[+-]/', $zone->getName()) === 1 ? $at->setTimezone(new \DateTimeZone('UTC')) : $at;
                }, $times));
        }
    }

    private function zone(string $name, string $wall): \DateTimeZone
    {
        $zone = array_key_exists($name, $this->zones) ? $this->zones[$name] : $this->zones[$name] = $this->find($name);

        return $zone instanceof Component
            ? new \DateTimeZone(
                self::clock(self::offset(self::changes($zone, $this->now->modify('-60 years'), $this->now->modify('+10 years')), $wall)),
            )
            : $zone ?? $this->ours;
    }

    private function find(string $name): \DateTimeZone|Component|null
    {
        try {
            return TimeZoneUtil::getTimeZone($name, $this->calendar, true);
        } catch (\InvalidArgumentException) {
            $described =
                array_values(
                    array_filter(
                        $this->calendar->select('VTIMEZONE'),
                        fn ($zone): bool => $zone instanceof Component && (string) ($zone->select('TZID')[0] ?? '') === $name,
                    ),
                )[0] ?? null;

            return $described instanceof Component ? $this->alike($described) ?? $described : null;
        }
    }

    /** The known zone whose clocks have shown the same through three years. */
    private function alike(Component $zone): ?\DateTimeZone
    {
        $changes = self::changes($zone, $this->now->modify('-60 years'), $this->now->modify('+3 years'));
        foreach ([$this->ours->getName(), ...\DateTimeZone::listIdentifiers()] as $name) {
            $known = new \DateTimeZone($name);
            for ($day = -365, $same = true; $same && $day < 730; $day += 3) {
                $at = $this->now->modify("$day days");
                $same = self::offset($changes, $at->setTimezone($known)->format('Y-m-d H:i:s')) === $known->getOffset($at);
            }
            if ($same) {
                return $known;
            }
        }

        return null;
    }

    /** @return list<array{string, int}> from which moment on the wall which offset holds, in seconds; the earliest first */
    private static function changes(Component $zone, \DateTimeImmutable $from, \DateTimeImmutable $until): array
    {
        $changes = [];
        foreach ($zone->children() as $part) {
            $begins = $part instanceof Component ? (string) ($part->select('DTSTART')[0] ?? '') : '';
            $first = \DateTimeImmutable::createFromFormat('!Ymd\THis', $begins, new \DateTimeZone('UTC'));
            $offset = $part instanceof Component ? self::seconds((string) ($part->select('TZOFFSETTO')[0] ?? '')) : null;
            if (! $part instanceof Component || $first === false || $offset === null) {
                continue;
            }
            $rule = (string) ($part->select('RRULE')[0] ?? '');
            $moments = $rule === '' ? [] : Recurrence::of($first, $rule)?->between($from, $until, 500) ?? [];
            foreach ([$first, ...$moments] as $at) {
                $changes[] = [$at->format('Y-m-d H:i:s'), $offset];
            }
        }
        sort($changes);

        return $changes;
    }

    /** @param  list<array{string, int}>  $changes */
    private static function offset(array $changes, string $wall): int
    {
        $offset = $changes[0][1] ?? 0;
        foreach ($changes as [$from, $to]) {
            if ($from > $wall) {
                break;
            }
            $offset = $to;
        }

        return $offset;
    }

    private static function seconds(string $written): ?int
    {
        return preg_match('/^([+-])(\d\d)(\d\d)(\d\d)?$/D', trim($written), $found) === 1
            ? ($found[1] === '-' ? -1 : 1) * ((int) $found[2] * 3600 + (int) $found[3] * 60 + (int) ($found[4] ?? 0)) : null;
    }

    private static function clock(int $seconds): string
    {
        return sprintf('%s%02d:%02d', $seconds < 0 ? '-' : '+', intdiv(abs($seconds), 3600), intdiv(abs($seconds) % 3600, 60));
    }
}
