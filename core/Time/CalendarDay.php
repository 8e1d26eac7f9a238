<?php

declare(strict_types=1);

namespace Linnet\Core\Time;

/** A day of the Gregorian calendar, of which one may ask where in its month, year and week it lies. */
final readonly class CalendarDay
{
    /**
     * @param  string  $date  YYYY-MM-DD
     * @param  int  $number  days since 1 January 1970
     */
    private function __construct(public string $date, public int $number, public int $year, public int $month, public int $day)
    {
    }

    /** @param  string  $date  YYYY-MM-DD */
    public static function of(string $date): self
    {
        [$year, $month, $day] = array_map(intval(...), explode('-', $date));

        return new self($date, intdiv((int) gmmktime(0, 0, 0, $month, $day, $year), 86_400), $year, $month, $day);
    }

    public static function numbered(int $number): self
    {
        $date = gmdate('Y-m-d', $number * 86_400);
        [$year, $month, $day] = array_map(intval(...), explode('-', $date));

        return new self($date, $number, $year, $month, $day);
    }

    /** From 1 for Monday (ISO 8601). */
    public function weekday(): int
    {
        // 1 January 1970 was a Thursday.
        return ($this->number % 7 + 10) % 7 + 1;
    }

    public function isLeap(): bool
    {
        return checkdate(2, 29, $this->year);
    }

    public function daysInYear(): int
    {
        return $this->isLeap() ? 366 : 365;
    }

    public function daysInMonth(): int
    {
        return match ($this->month) {
            2 => $this->isLeap() ? 29 : 28,
            4, 6, 9, 11 => 30,
            default => 31,
        };
    }

    /** From 1. */
    public function ofYear(): int
    {
        return $this->number - self::of("$this->year-01-01")->number + 1;
    }

    /** @return array{int, int} the how manieth of its weekday in its month, from the beginning and (negative) from the end */
    public function whichOfMonth(): array
    {
        return [intdiv($this->day - 1, 7) + 1, -intdiv($this->daysInMonth() - $this->day, 7) - 1];
    }

    /** @return array{int, int} the same in its year */
    public function whichOfYear(): array
    {
        $day = $this->ofYear();

        return [intdiv($day - 1, 7) + 1, -intdiv($this->daysInYear() - $day, 7) - 1];
    }

    /**
     * Whether it lies in one of the numbered weeks of a year: the first is the one with four days in it at least.
     *
     * @param  list<int>  $weeks  negative ones count from the end
     * @param  int  $begins  the weekday weeks begin with
     */
    public function isInWeek(array $weeks, int $begins): bool
    {
        $start = $this->number - ($this->weekday() - $begins + 7) % 7;
        // The year a week belongs to is that of its fourth day.
        $year = self::numbered($start + 3)->year;
        $week = intdiv($start - self::firstWeek($year, $begins), 7) + 1;
        $last = intdiv(self::firstWeek($year + 1, $begins) - self::firstWeek($year, $begins), 7);

        return in_array($week, $weeks, true) || in_array($week - $last - 1, $weeks, true);
    }

    /** The day on which the first week of a year begins. */
    public static function firstWeek(int $year, int $begins): int
    {
        $fourth = self::of(sprintf('%04d-01-04', $year));

        return $fourth->number - ($fourth->weekday() - $begins + 7) % 7;
    }
}
