<?php

declare(strict_types=1);

namespace Linnet\Core\Time;

/** The days, weeks, months or years that a recurrence comes past. */
final readonly class RecurrencePeriod
{
    private function __construct(private RecurrenceRule $rule, private CalendarDay $first)
    {
    }

    public static function of(RecurrenceRule $rule, CalendarDay $first): self
    {
        return new self($rule, $first);
    }

    /** The number of a period that lies before a day, from 0 for the one that holds the first. */
    public function before(CalendarDay $day): int
    {
        $apart = match ($this->rule->every) {
            'YEARLY' => $day->year - $this->first->year,
            'MONTHLY' => ($day->year - $this->first->year) * 12 + $day->month - $this->first->month,
            'WEEKLY' => intdiv($day->number - $this->first->number, 7),
            default => $day->number - $this->first->number,
        };

        return max(0, intdiv($apart, $this->rule->interval) - 2);
    }

    /** @return \Generator<int, CalendarDay> */
    public function days(int $k): \Generator
    {
        [$from, $many] = match ($this->rule->every) {
            'YEARLY' => $this->year($this->first->year + $k * $this->rule->interval),
            'MONTHLY' => $this->month($this->first->year * 12 + $this->first->month - 1 + $k * $this->rule->interval),
            'WEEKLY' => [
                $this->first->number - (($this->first->weekday() - $this->rule->weekBegins + 7) % 7) + 7 * $k * $this->rule->interval,
                7,
            ],
            default => [$this->first->number + $k * $this->rule->interval, 1],
        };
        for ($i = 0; $i < $many; $i++) {
            yield CalendarDay::numbered($from + $i);
        }
    }

    /** @return array{int, int} its first day, and how many it has; that of its numbered weeks, where the rule names them */
    private function year(int $year): array
    {
        if (isset($this->rule->by['BYWEEKNO'])) {
            $from = CalendarDay::firstWeek($year, $this->rule->weekBegins);

            return [$from, CalendarDay::firstWeek($year + 1, $this->rule->weekBegins) - $from];
        }
        $first = CalendarDay::of(sprintf('%04d-01-01', $year));

        return [$first->number, $first->daysInYear()];
    }

    /** @return array{int, int} */
    private function month(int $months): array
    {
        $first = CalendarDay::of(sprintf('%04d-%02d-01', intdiv($months, 12), $months % 12 + 1));

        return [$first->number, $first->daysInMonth()];
    }
}
