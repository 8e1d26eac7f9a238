<?php

declare(strict_types=1);

namespace Demo\Season;

/** The days of a season, counted in seconds from its first midnight by the clock of the business. */
final readonly class Calendar
{
    private \DateTimeImmutable $midnight;

    public function __construct(public string $first, public int $days, string $zone)
    {
        $this->midnight = new \DateTimeImmutable("$first 00:00", new \DateTimeZone($zone));
    }

    public function moment(int $seconds): \DateTimeImmutable
    {
        return $this->midnight->modify('+'.intdiv($seconds, 86_400).' days')->setTime(0, 0, $seconds % 86_400);
    }

    public function written(int $seconds): string
    {
        return $this->moment($seconds)->format(DATE_ATOM);
    }

    public function date(int $seconds): string
    {
        return $this->moment($seconds)->format('Y-m-d');
    }
}
