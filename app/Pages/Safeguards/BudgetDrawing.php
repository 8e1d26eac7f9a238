<?php

declare(strict_types=1);

namespace App\Pages\Safeguards;

use App\Clock\TimeFormatter;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Time\Zone;

/**
 * What automatic texts have cost this month, day upon day, and what those in sight will, against the budget. Lengths in units of the
 * drawing.
 */
final readonly class BudgetDrawing
{
    public const WIDTH = 320;

    public const AXIS = 84;

    private const ROOM = 66;

    /** @var array<int, array{spent: int, coming: int}> up to each day of the month, in millionths: what is in sight beside what is spent */
    public array $days;

    private int $today;

    /** @param  int|null  $budget  in millionths */
    public function __construct(\DateTimeImmutable $now, string $zone, private ?int $budget, private string $currency)
    {
        $local = $now->setTimezone(Zone::get($zone));
        $this->today = (int) $local->format('j');
        [$from, $until] = [$local->format('Y-m-01'), $local->modify('first day of next month')->format('Y-m-d')];
        $spent = DB::table('spent_days')->where('day', '>=', $from)->where('day', '<', $until)->pluck('micros', 'day')
            ->mapWithKeys(fn (mixed $micros, string $day): array => [substr($day, 0, 10) => $micros])->all();
        $coming = DB::table('coming_texts')->where('left_out', false)->where('hour', '>=', $from)->where('hour', '<', $until)
            ->groupByRaw('substr(hour, 1, 10)')->selectRaw('substr(hour, 1, 10) as date, sum(price_micros) as micros')
            ->pluck('micros', 'date')->all();
        $days = [];
        $sum = ['spent' => 0, 'coming' => 0];
        for ($i = 1; $i <= (int) $local->format('t'); $i++) {
            $date = $local->format('Y-m-').sprintf('%02d', $i);
            $sum = ['spent' => $sum['spent'] + (int) ($spent[$date] ?? 0), 'coming' => $sum['coming'] + (int) ($coming[$date] ?? 0)];
            $days[$i] = $sum;
        }
        $this->days = $days;
    }

    public function x(int $day): float
    {
        return round(($day - 1) * self::WIDTH / count($this->days), 1);
    }

    public function width(): float
    {
        return round(self::WIDTH / count($this->days) - 1.5, 1);
    }

    public function height(int $micros): float
    {
        return round(self::ROOM * min(1, $micros / $this->most()), 1);
    }

    public function isPast(int $day): bool
    {
        return $day <= $this->today;
    }

    /** Where the budget stands; null where there is none, or it is far out of the picture. */
    public function limitAt(): ?float
    {
        return $this->budget === null || $this->budget > $this->most() ? null : self::AXIS - $this->height($this->budget);
    }

    public function says(): string
    {
        $last = $this->days[count($this->days)];
        $price = fn (int $micros): string => TimeFormatter::price($micros, $this->currency);
        $sum = $last['spent'] + $last['coming'];
        $said = 'Spent so far: '.$price($last['spent']).'. What is in sight until the month ends: '.$price($last['coming']).'. ';
        if ($this->budget === null) {
            return $said.'There is no budget.';
        }
        foreach ($this->days as $day => $upTo) {
            if ($this->budget < $upTo['spent'] + $upTo['coming']) {
                return $said.($this->isPast($day) ? 'The budget is used up.' : "The budget of {$price($this->budget)} would be used up on the $day.");
            }
        }

        return $said."Of the budget of {$price($this->budget)}, {$price($this->budget - $sum)} would be left.";
    }

    private function most(): int
    {
        $last = $this->days[count($this->days)];
        $sum = max(1, $last['spent'] + $last['coming']);

        // A budget far above all that is spent is said in words.
        return $this->budget !== null && $this->budget <= 4 * $sum ? max($this->budget, $sum) : $sum;
    }
}
