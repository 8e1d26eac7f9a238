<?php

declare(strict_types=1);

namespace App\Pages\Ahead;

use App\Clock\Day;
use Linnet\Core\Time\WeeklyHours;

/** Two weeks as a field of days and hours, by the business's clock. All lengths in units of the drawing. */
final readonly class HourField
{
    public const DAYS = 14;

    public const HOUR = 24;

    public const ROW = 36;

    public const LEFT = 62;

    public const TOP = 26;

    /** @var list<Day> */
    public array $days;

    /** @param  array<string, HourCount>  $hours  by hour, as YYYY-MM-DDTHH */
    public function __construct(
        private \DateTimeImmutable $now,
        private string $zone,
        private WeeklyHours $decent,
        private array $hours,
        public string $chosen,
    ) {
        $days = [];
        $noon = $now->setTimezone(new \DateTimeZone($zone))->setTime(12, 0);
        for ($i = 0; $i < self::DAYS; $i++) {
            $days[] = Day::of($noon->modify("+$i days"), $zone);
        }
        $this->days = $days;
    }

    public static function width(): int
    {
        return self::LEFT + 24 * self::HOUR;
    }

    public static function height(): int
    {
        return self::TOP + self::DAYS * self::ROW;
    }

    public static function x(float $hour): float
    {
        return round(self::LEFT + $hour * self::HOUR, 1);
    }

    public static function y(int $row): int
    {
        return self::TOP + $row * self::ROW;
    }

    public function now(): float
    {
        return self::x($this->hourOf($this->now));
    }

    /** @return list<array{row: int, x: float, width: float}> when no automatic text may leave */
    public function nights(): array
    {
        $nights = [];
        foreach ($this->days as $row => $day) {
            $from = 0.0;
            foreach ($this->decent->stretches($day->begins->modify('+12 hours'), new \DateTimeZone($this->zone)) as [$opens, $closes]) {
                $nights[] = ['row' => $row, 'x' => self::x($from), 'width' => ($this->hourOf($opens) - $from) * self::HOUR];
                $from = $closes >= $day->ends ? 24.0 : $this->hourOf($closes);
            }
            $nights[] = ['row' => $row, 'x' => self::x($from), 'width' => (24 - $from) * self::HOUR];
        }

        return array_values(array_filter($nights, fn (array $night): bool => $night['width'] > 0));
    }

    /** @return list<array{row: int, at: string, x: float, size: float, texts: int, chosen: bool, says: string}> the hours that have any */
    public function squares(): array
    {
        $most = max([1, ...array_map(fn (HourCount $hour): int => $hour->texts, array_values($this->hours))]);
        $squares = [];
        foreach ($this->days as $row => $day) {
            for ($hour = 0; $hour < 24; $hour++) {
                $at = sprintf('%sT%02d', $day->date, $hour);
                $texts = $this->hours[$at]->texts ?? 0;
                if ($texts > 0) {
                    $squares[] = [
                        'row' => $row, 'at' => $at, 'x' => self::x($hour), 'size' => round(sqrt($texts / $most) * 18 + 4, 1), 'texts' => $texts,
                        'chosen' => $at === $this->chosen, 'says' => self::says($at),
                    ];
                }
            }
        }

        return $squares;
    }

    /** "Tuesday 3 March, 10:00 to 11:00", or a day alone. */
    public static function says(string $at): string
    {
        $day = (new \DateTimeImmutable(substr($at, 0, 10), new \DateTimeZone('UTC')))->format('l j F');
        $hour = (int) substr($at, 11);

        return strlen($at) === 10 ? $day : sprintf('%s, %02d:00 to %02d:00', $day, $hour, ($hour + 1) % 24);
    }

    private function hourOf(\DateTimeImmutable $at): float
    {
        $local = $at->setTimezone(new \DateTimeZone($this->zone));

        return (int) $local->format('G') + (int) $local->format('i') / 60;
    }
}
