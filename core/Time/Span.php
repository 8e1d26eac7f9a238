<?php

declare(strict_types=1);

namespace Linnet\Core\Time;

/** A length of time as people say it: 2 minutes, 1 day. */
final readonly class Span
{
    private function __construct(public int $amount, public Unit $unit)
    {
    }

    /** @return self|null null if the amount is negative or over what a rule may wait */
    public static function of(int $amount, Unit $unit): ?self
    {
        return $amount >= 0 && $amount <= $unit->most() ? new self($amount, $unit) : null;
    }

    /** The instant this long after another; days and longer keep the clock on the wall of the zone. */
    public function after(\DateTimeImmutable $start, \DateTimeZone $zone): \DateTimeImmutable
    {
        if ($this->unit === Unit::Minutes || $this->unit === Unit::Hours) {
            $seconds = $this->amount * ($this->unit === Unit::Minutes ? 60 : 3600);

            return $start->setTimestamp($start->getTimestamp() + $seconds)->setTimezone(Zone::utc());
        }

        $local = $start->setTimezone($zone);
        [$year, $month, $day] = array_map(intval(...), explode('-', $local->format('Y-n-j')));
        if ($this->unit === Unit::Months) {
            $months = $year * 12 + $month - 1 + $this->amount;
            [$year, $month] = [intdiv($months, 12), $months % 12 + 1];
            $day = min($day, (int) (new \DateTimeImmutable(sprintf('%04d-%02d-01', $year, $month)))->format('t'));
        } else {
            $day += $this->amount * ($this->unit === Unit::Weeks ? 7 : 1);
        }

        [$hour, $minute, $second] = array_map(intval(...), explode(':', $local->format('G:i:s')));

        return (new \DateTimeImmutable('2000-01-01', $zone))->setDate($year, $month, $day)->setTime($hour, $minute, $second)->setTimezone(Zone::utc());
    }
}
