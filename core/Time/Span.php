<?php

declare(strict_types=1);

namespace Linnet\Core\Time;

use Linnet\Core\Document\Doc;

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

    /** Days of the clock on the wall. */
    public static function days(int $amount): self
    {
        return new self($amount, Unit::Days);
    }

    /** Reads "amount" and "unit" of an object. */
    public static function read(Doc $doc): self
    {
        $unit = $doc->choice('unit', Unit::class);

        return new self($doc->integer('amount', 0, $unit->most()), $unit);
    }

    /** Reads a span that stands under a key of its own. */
    public static function under(Doc $doc, string $key): self
    {
        $span = $doc->object($key);
        $span->allow('amount', 'unit');

        return self::read($span);
    }

    /** The instant this long after another; days and longer keep the clock on the wall of the zone. */
    public function after(\DateTimeImmutable $start, \DateTimeZone $zone, ?WorkingDays $calendar = null): \DateTimeImmutable
    {
        return $this->shift($start, $zone, 1, $calendar);
    }

    /** The instant this long before another. */
    public function before(\DateTimeImmutable $start, \DateTimeZone $zone, ?WorkingDays $calendar = null): \DateTimeImmutable
    {
        return $this->shift($start, $zone, -1, $calendar);
    }

    /** @return array{amount: int, unit: string} */
    public function toDocument(): array
    {
        return ['amount' => $this->amount, 'unit' => $this->unit->value];
    }

    private function shift(\DateTimeImmutable $start, \DateTimeZone $zone, int $way, ?WorkingDays $calendar): \DateTimeImmutable
    {
        $amount = $way * $this->amount;
        if ($this->unit === Unit::Minutes || $this->unit === Unit::Hours) {
            $seconds = $amount * ($this->unit === Unit::Minutes ? 60 : 3600);

            return $start->setTimestamp($start->getTimestamp() + $seconds)->setTimezone(Zone::utc());
        }

        $local = $start->setTimezone($zone);
        $day =
            $this->unit === Unit::WorkingDays
                ? ($calendar ?? WorkingDays::without())->shift($local->format('Y-m-d'), $amount)
                : $local->format('Y-m-d');
        [$year, $month, $day] = array_map(intval(...), explode('-', $day));
        if ($this->unit === Unit::Months) {
            $months = $year * 12 + $month - 1 + $amount;
            [$year, $month] = [intdiv($months, 12), $months % 12 + 1];
            $day = min($day, (int) (new \DateTimeImmutable(sprintf('%04d-%02d-01', $year, $month)))->format('t'));
        } elseif ($this->unit !== Unit::WorkingDays) {
            $day += $amount * ($this->unit === Unit::Weeks ? 7 : 1);
        }

        [$hour, $minute, $second] = array_map(intval(...), explode(':', $local->format('G:i:s')));

        return (new \DateTimeImmutable('2000-01-01', $zone))
            ->setDate($year, $month, $day)
            ->setTime($hour, $minute, $second)
            ->setTimezone(Zone::utc());
    }
}
