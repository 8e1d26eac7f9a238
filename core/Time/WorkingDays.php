<?php

declare(strict_types=1);

namespace Linnet\Core\Time;

use Linnet\Core\Document\Doc;

/** Which days count as working days: no Saturday, no Sunday, no holiday. */
final readonly class WorkingDays
{
    /** @param  array<string, true>  $holidays by YYYY-MM-DD */
    public function __construct(private array $holidays = [])
    {
    }

    /** @param  list<string>  $holidays YYYY-MM-DD */
    public static function without(array $holidays = []): self
    {
        return new self(array_fill_keys($holidays, true));
    }

    /** Reads a list of days under a key; none if it is missing. */
    public static function read(Doc $doc, string $key): self
    {
        return self::without($doc->has($key) ? $doc->each($key, fn (Doc $day): string => $day->self(
            fn (mixed $v): ?string => is_string($v) ? Day::parse($v)?->date : null, 'day_expected',
        ), 0, 5000) : []);
    }

    /** @return list<string> */
    public function holidays(): array
    {
        return array_keys($this->holidays);
    }

    public function isWorking(string $day): bool
    {
        return ! isset($this->holidays[$day]) && (int) (new \DateTimeImmutable($day, Zone::utc()))->format('N') < 6;
    }

    /**
     * The day so many working days later, or earlier. 0 is the day itself, working or not.
     *
     * @param  string  $day  YYYY-MM-DD
     * @return string YYYY-MM-DD
     */
    public function shift(string $day, int $days): string
    {
        $at = new \DateTimeImmutable($day, Zone::utc());
        $way = $days < 0 ? '-1 day' : '+1 day';
        for ($left = abs($days), $tries = 0; $left > 0 && $tries < 20_000; $tries++) {
            $at = $at->modify($way);
            $left -= $this->isWorking($at->format('Y-m-d')) ? 1 : 0;
        }

        return $at->format('Y-m-d');
    }
}
