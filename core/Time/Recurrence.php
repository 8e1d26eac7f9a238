<?php

declare(strict_types=1);

namespace Linnet\Core\Time;

/**
 * Moments that come back by a rule.
 *
 * Counted on the clock on the wall and made an instant one by one: a time that falls into the spring gap moves on that day alone, one that
 * comes twice in autumn takes the first. What comes back by the hour counts hours that pass. However a rule is written, no more than so
 * many days are looked at for its next moment.
 *
 * Source: RFC 5545 section 3.3.10 (RRULE). Every part that chooses days is a test that a day of the period passes or not, which is what
 * the table of that section comes to.
 */
final readonly class Recurrence
{
    /** So many days are looked at for the next: a hundred years of them, where the longest pause that means anything is forty. */
    private const DAYS = 36_525;

    /** So many hours are looked at for what comes back by the hour: a leap day may be eight years off. */
    private const HOURS = 80_000;

    private CalendarDay $began;

    private function __construct(public \DateTimeImmutable $first, private RecurrenceRule $rule)
    {
        $this->began = CalendarDay::of($first->format('Y-m-d'));
    }

    /** @return self|null null if the rule cannot be read or never comes about, or comes back within less than an hour */
    public static function of(\DateTimeImmutable $first, string $rule): ?self
    {
        $read = RecurrenceRule::parse($rule);
        if ($read === null) {
            return null;
        }
        $recurrence = new self($first, $read);
        $seen = 0;
        foreach ($recurrence->counted($first) as $ignored) {
            if (++$seen === 2) {
                return $recurrence;
            }
        }

        // The first moment alone is there whatever the rule says; one that ends with it is well.
        return $read->count !== null || $read->until !== null ? $recurrence : null;
    }

    /** The first of its moments later than another; null if there is none. */
    public function after(\DateTimeImmutable $moment): ?\DateTimeImmutable
    {
        foreach ($this->from($moment) as $at) {
            if ($at > $moment) {
                return $at;
            }
        }

        return null;
    }

    /**
     * Its moments between two, in their order, so many at most.
     *
     * @return list<\DateTimeImmutable> in UTC
     */
    public function between(\DateTimeImmutable $from, \DateTimeImmutable $until, int $most): array
    {
        $moments = [];
        foreach ($this->from($from) as $at) {
            if ($at > $until || count($moments) >= $most) {
                break;
            }
            if ($at >= $from) {
                $moments[] = $at;
            }
        }

        return $moments;
    }

    /**
     * Its moments in UTC, from its first; or, where their number does not matter, from shortly before another.
     *
     * @return \Generator<int, \DateTimeImmutable>
     */
    private function from(\DateTimeImmutable $moment): \Generator
    {
        $utc = $this->first->setTimezone(Zone::utc());
        $last = null;
        foreach ($this->counted($this->rule->count === null ? $moment : $this->first) as $at) {
            if ($last === null || $at > $last) {
                yield $last = $at < $utc ? $utc : $at;
            }
        }
    }

    /** @return \Generator<int, \DateTimeImmutable> */
    private function counted(\DateTimeImmutable $near): \Generator
    {
        $first = $this->first->setTimezone(Zone::utc());
        $ends = $this->ends();
        yield $first;
        $many = 1;
        foreach ($this->rule->every === 'HOURLY' ? $this->hours($near) : $this->days($near) as $at) {
            if (($ends !== null && $at > $ends) || ($this->rule->count !== null && $many >= $this->rule->count)) {
                return;
            }
            if ($at > $first) {
                $many++;
                yield $at;
            }
        }
    }

    private function ends(): ?\DateTimeImmutable
    {
        if ($this->rule->until === null) {
            return null;
        }
        [$written, $isUtc] = $this->rule->until;
        $ends = \DateTimeImmutable::createFromFormat('!YmdHis', $written, $isUtc ? Zone::utc() : $this->first->getTimezone());

        return $ends === false ? null : $ends->setTimezone(Zone::utc());
    }

    /** @return \Generator<int, \DateTimeImmutable> */
    private function hours(\DateTimeImmutable $near): \Generator
    {
        $zone = $this->first->getTimezone();
        $step = 3600 * $this->rule->interval;
        $skip = max(0, intdiv($near->getTimestamp() - $this->first->getTimestamp(), $step) - 2);
        $minute = $this->rule->by['BYMINUTE'][0] ?? null;
        for ($looked = 0, $at = $this->first->getTimestamp() + $skip * $step; $looked < self::HOURS; $looked++, $at += $step) {
            $local = $this->first->setTimestamp($at)->setTimezone($zone);
            $local = $minute === null ? $local : $local->setTime((int) $local->format('G'), $minute);
            if (
                in_array((int) $local->format('G'), $this->rule->by['BYHOUR'] ?? [(int) $local->format('G')], true) &&
                $this->passes(CalendarDay::of($local->format('Y-m-d')))
            ) {
                $looked = 0;
                yield $local->setTimezone(Zone::utc());
            }
        }
    }

    /** @return \Generator<int, \DateTimeImmutable> */
    private function days(\DateTimeImmutable $near): \Generator
    {
        $period = RecurrencePeriod::of($this->rule, $this->began);
        $reach = CalendarDay::of($near->setTimezone($this->first->getTimezone())->format('Y-m-d'));
        for ($k = $period->before($reach), $looked = 0; $looked < self::DAYS; $k++) {
            $days = [];
            foreach ($period->days($k) as $day) {
                $looked++;
                if ($day->year > 9999) {
                    return;
                }
                if ($this->passes($day)) {
                    $days[] = $day;
                }
            }
            // Wide steps must not take for ever either.
            $looked += 1;
            foreach ($this->chosen($this->moments($days)) as $at) {
                $looked = 0;
                yield $at;
            }
        }
    }

    private function passes(CalendarDay $day): bool
    {
        $by = $this->rule->by;
        $began = $this->began;

        return (! isset($by['BYMONTH']) || in_array($day->month, $by['BYMONTH'], true)) &&
            (! isset($by['BYWEEKNO']) || $day->isInWeek($by['BYWEEKNO'], $this->rule->weekBegins)) &&
            (! isset($by['BYYEARDAY']) || self::isOneOf($day->ofYear(), $day->daysInYear(), $by['BYYEARDAY'])) &&
            (! isset($by['BYMONTHDAY']) || self::isOneOf($day->day, $day->daysInMonth(), $by['BYMONTHDAY'])) &&
            ($this->rule->weekdays === [] || $this->isWeekday($day)) &&
            ($this->rule->choosesDays() ||
                match ($this->rule->every) {
                    'YEARLY' => $day->day === $began->day && (isset($by['BYMONTH']) || $day->month === $began->month),
                    'MONTHLY' => $day->day === $began->day,
                    'WEEKLY' => $day->weekday() === $began->weekday(),
                    default => true,
                }) &&
            // A week of the year alone keeps the weekday.
            (! isset($by['BYWEEKNO']) ||
                $this->rule->weekdays !== [] ||
                isset($by['BYMONTHDAY']) ||
                isset($by['BYYEARDAY']) ||
                $day->weekday() === $began->weekday());
    }

    private function isWeekday(CalendarDay $day): bool
    {
        foreach ($this->rule->weekdays as [$which, $weekday]) {
            if ($day->weekday() !== $weekday) {
                continue;
            }
            $inMonth = $this->rule->every === 'MONTHLY' || isset($this->rule->by['BYMONTH']);
            if ($which === 0 || in_array($which, $inMonth ? $day->whichOfMonth() : $day->whichOfYear(), true)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  list<CalendarDay>  $days
     * @return list<\DateTimeImmutable> in UTC
     */
    private function moments(array $days): array
    {
        $by = $this->rule->by;
        $hours = $by['BYHOUR'] ?? [(int) $this->first->format('G')];
        sort($hours);
        $minute = $by['BYMINUTE'][0] ?? (int) $this->first->format('i');
        $second = $by['BYSECOND'][0] ?? (int) $this->first->format('s');
        $zone = $this->first->getTimezone();
        $moments = [];
        foreach ($days as $day) {
            foreach ($hours as $hour) {
                $moments[] = (new \DateTimeImmutable("$day->date", $zone))->setTime($hour, $minute, $second)->setTimezone(Zone::utc());
            }
        }

        return $moments;
    }

    /**
     * Those of a period that BYSETPOS names.
     *
     * @param  list<\DateTimeImmutable>  $moments
     * @return list<\DateTimeImmutable>
     */
    private function chosen(array $moments): array
    {
        $places = $this->rule->by['BYSETPOS'] ?? null;
        if ($places === null) {
            return $moments;
        }

        return array_values(
            array_filter($moments, fn (int $i): bool => self::isOneOf($i + 1, count($moments), $places), ARRAY_FILTER_USE_KEY),
        );
    }

    /** @param  list<int>  $wanted  negative ones count from the end */
    private static function isOneOf(int $number, int $of, array $wanted): bool
    {
        return in_array($number, $wanted, true) || in_array($number - $of - 1, $wanted, true);
    }
}
