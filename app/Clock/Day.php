<?php

declare(strict_types=1);

namespace App\Clock;

/** A calendar day of the business, as the instants it begins and ends. */
final readonly class Day
{
    public \DateTimeImmutable $begins;

    public \DateTimeImmutable $ends;

    public function __construct(public string $date, public string $zone)
    {
        $local = new \DateTimeImmutable($date, new \DateTimeZone($zone));
        $this->begins = $local->setTimezone(new \DateTimeZone('UTC'));
        $this->ends = $local->modify('+1 day')->setTimezone(new \DateTimeZone('UTC'));
    }

    public static function of(\DateTimeImmutable $at, string $zone): self
    {
        return new self($at->setTimezone(new \DateTimeZone($zone))->format('Y-m-d'), $zone);
    }

    /** The first of so many days that end with a moment's own. */
    public static function firstOf(int $days, \DateTimeImmutable $at, string $zone): self
    {
        return self::of($at->setTimezone(new \DateTimeZone($zone))->modify('-'.($days - 1).' days'), $zone);
    }

    /** How far into the day a moment is, from 0 to 1. */
    public function share(\DateTimeImmutable $at): float
    {
        $length = $this->ends->getTimestamp() - $this->begins->getTimestamp();

        return max(0.0, min(1.0, ($at->getTimestamp() - $this->begins->getTimestamp()) / $length));
    }

    /**
     * The hours as the clock on the wall shows them, with the instants they begin and end; 23 or 25 of them when clocks change.
     *
     * @return list<array{hour: int, from: \DateTimeImmutable, to: \DateTimeImmutable}>
     */
    public function hours(): array
    {
        $hours = [];
        for ($at = $this->begins; $at < $this->ends; $at = $at->modify('+1 hour')) {
            $hours[] = [
                'hour' => (int) $at->setTimezone(new \DateTimeZone($this->zone))->format('G'),
                'from' => $at,
                'to' => $at->modify('+1 hour'),
            ];
        }

        return $hours;
    }
}
