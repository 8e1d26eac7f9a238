<?php

declare(strict_types=1);

namespace Linnet\Core\Time;

use Linnet\Core\Document\Doc;

/** Hours that come back every week, with days closed. A stretch that ends at or before it begins crosses midnight. */
final readonly class WeeklyHours
{
    public const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    /** A window that has not opened after so many days never does. */
    private const HORIZON = 400;

    /**
     * @param  array<string, list<array{TimeOfDay, TimeOfDay}>>  $week  stretches by day of DAYS, earliest first
     * @param  list<string>  $closed  YYYY-MM-DD, by the clock of the zone asked about
     */
    private function __construct(public array $week, public array $closed)
    {
    }

    /** @param  list<string>  $closed */
    public static function daily(string $from, string $to, array $closed = []): self
    {
        return self::read(Doc::of(['week' => array_fill_keys(self::DAYS, [[$from, $to]]), 'closed' => $closed]));
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('week', 'closed');
        $week = $doc->object('week');
        $week->allow(...self::DAYS);
        $days = [];
        foreach (self::DAYS as $day) {
            $days[$day] = $week->has($day) ? $week->each($day, self::stretch(...)) : [];
        }
        $closed = $doc->has('closed') ? $doc->each('closed', fn (Doc $item): string => $item->self(
            fn (mixed $v): ?string => is_string($v) ? \Linnet\Core\Time\Day::parse($v)?->date : null, 'day_expected',
        )) : [];

        return new self($days, $closed);
    }

    /** @return array{week: array<string, list<array{string, string}>>, closed: list<string>} */
    public function toDocument(): array
    {
        return [
            'week' => array_map(
                fn (array $day): array => array_map(fn (array $s): array => [(string) $s[0], (string) $s[1]], $day),
                $this->week,
            ),
            'closed' => $this->closed,
        ];
    }

    public function isOpen(\DateTimeImmutable $at, \DateTimeZone $zone): bool
    {
        return $this->nextOpen($at, $zone)?->getTimestamp() === $at->getTimestamp();
    }

    /** The first instant at or after another that is inside the hours, or null if there is none within a year. */
    public function nextOpen(\DateTimeImmutable $at, \DateTimeZone $zone): ?\DateTimeImmutable
    {
        if (array_filter($this->week) === []) {
            return null;
        }
        $soon = $this->nextOpenSoon($at, $zone);
        if ($soon !== null) {
            return $soon;
        }

        $day = $at->setTimezone($zone)->setTime(12, 0)->modify('-1 day');
        for ($ahead = 0; $ahead <= self::HORIZON; $ahead++, $day = $day->modify('+1 day')) {
            foreach ($this->stretches($day, $zone) as [$from, $to]) {
                if ($to > $at) {
                    return $from > $at ? $from : $at;
                }
            }
        }

        return null;
    }

    /** The same where it comes within a day and no clock is changed around it, by counting seconds; null where that cannot tell. */
    private function nextOpenSoon(\DateTimeImmutable $at, \DateTimeZone $zone): ?\DateTimeImmutable
    {
        $now = $at->getTimestamp();
        $offset = $zone->getOffset($at);
        foreach ([-3, 3] as $days) {
            if ($zone->getOffset($at->setTimestamp($now + $days * 86_400)) !== $offset) {
                return null;
            }
        }
        $local = $now + $offset;
        $today = intdiv($local, 86_400);
        for ($day = $today - 1; $day <= $today + 1; $day++) {
            if ($this->closed !== [] && in_array(gmdate('Y-m-d', $day * 86_400), $this->closed, true)) {
                continue;
            }
            // 1 January 1970 was a Thursday.
            foreach ($this->week[self::DAYS[($day + 3) % 7]] as [$from, $to]) {
                $ends = $day * 86_400 + $to->minutes * 60 + ($to->minutes > $from->minutes ? 0 : 86_400);
                if ($ends > $local) {
                    $opens = $day * 86_400 + $from->minutes * 60;

                    return $opens <= $local ? $at : $at->setTimestamp($opens - $offset)->setTimezone(Zone::utc());
                }
            }
        }

        return null;
    }

    /**
     * The stretches that begin on a day, as instants.
     *
     * @return list<array{\DateTimeImmutable, \DateTimeImmutable}>
     */
    public function stretches(\DateTimeImmutable $day, \DateTimeZone $zone): array
    {
        $date = $day->setTimezone($zone)->format('Y-m-d');
        if (in_array($date, $this->closed, true)) {
            return [];
        }
        $next = $day->setTimezone($zone)->setTime(12, 0)->modify('+1 day')->format('Y-m-d');

        return array_map(
            fn (array $s): array => [$s[0]->on($date, $zone), $s[1]->on($s[1]->minutes > $s[0]->minutes ? $date : $next, $zone)],
            $this->week[self::DAYS[(int) $day->setTimezone($zone)->format('N') - 1]],
        );
    }

    /**
     * The first instant at or after another that is inside the hours in every zone, or null if the windows do not meet.
     *
     * @param  non-empty-list<string>  $zones
     */
    public function nextOpenInAll(\DateTimeImmutable $at, array $zones): ?\DateTimeImmutable
    {
        if (count($zones) === 1) {
            return $this->nextOpen($at, Zone::get($zones[0]));
        }
        $found = $at;
        for ($tries = 0; $tries < 60; $tries++) {
            $before = $found;
            foreach ($zones as $zone) {
                $found = $this->nextOpen($found, Zone::get($zone));
                if ($found === null) {
                    return null;
                }
            }
            if ($found->getTimestamp() === $before->getTimestamp()) {
                return $found;
            }
        }

        return null;
    }

    /** @return array{TimeOfDay, TimeOfDay} */
    private static function stretch(Doc $doc): array
    {
        return $doc->self(function (mixed $value): ?array {
            if (! is_array($value) || ! array_is_list($value) || count($value) !== 2 || ! is_string($value[0]) || ! is_string($value[1])) {
                return null;
            }
            [$from, $to] = array_map(TimeOfDay::parse(...), $value);

            return $from !== null && $to !== null && $from->minutes < 1440 && $from->minutes !== $to->minutes ? [$from, $to] : null;
        }, 'stretch_expected');
    }
}
