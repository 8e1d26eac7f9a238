<?php

declare(strict_types=1);

namespace Linnet\Core\Time;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;

/** A time on the clock on the wall, to the minute. */
final readonly class TimeOfDay
{
    /** @param  int  $minutes since midnight; 1440 is the midnight that ends the day */
    private function __construct(public int $minutes)
    {
    }

    /** "09:00" to "23:59", and "24:00"; null for anything else. */
    public static function parse(string $written): ?self
    {
        if (preg_match('/^([01]\d|2[0-3]):([0-5]\d)$|^24:00$/', $written, $part) !== 1) {
            return null;
        }

        return new self(isset($part[1]) ? (int) $part[1] * 60 + (int) $part[2] : 1440);
    }

    /** A time from 00:00 to 23:59 under a key. */
    public static function read(Doc $doc, string $key): self
    {
        $time = self::parse($doc->text($key, 5));

        return $time !== null && $time->minutes < 1440 ? $time : throw Unreadable::at("$doc->path.$key", 'time_expected');
    }

    /**
     * The instant at which clocks in the zone show this time on a day. A time the spring change skips moves forward by the gap;
     * a time the autumn change repeats is its first.
     *
     * @param  string  $day  YYYY-MM-DD
     */
    public function on(string $day, \DateTimeZone $zone): \DateTimeImmutable
    {
        return (new \DateTimeImmutable($day, $zone))->setTime(intdiv($this->minutes, 60), $this->minutes % 60)->setTimezone(Zone::utc());
    }

    /**
     * Every instant at which clocks in the zone show this time on a day: two where the autumn change repeats it.
     *
     * @param  string  $day  YYYY-MM-DD
     * @return non-empty-list<\DateTimeImmutable>
     */
    public function everyTimeOn(string $day, \DateTimeZone $zone): array
    {
        $first = $this->on($day, $zone);
        $back = $zone->getOffset($first) - $zone->getOffset($first->modify('+3 hours'));
        $second = $back > 0 ? $first->modify("+$back seconds") : $first;

        return $second > $first && $second->setTimezone($zone)->format('Y-m-d H:i') === $first->setTimezone($zone)->format('Y-m-d H:i')
            ? [$first, $second]
            : [$first];
    }

    public function __toString(): string
    {
        return sprintf('%02d:%02d', intdiv($this->minutes, 60), $this->minutes % 60);
    }
}
