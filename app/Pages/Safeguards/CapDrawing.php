<?php

declare(strict_types=1);

namespace App\Pages\Safeguards;

use App\Clock\TimeFormatter;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use Illuminate\Support\Facades\DB;

/**
 * How many automatic texts people had within seven days, against what is enough. Lengths in units of the drawing.
 */
final readonly class CapDrawing
{
    public const WIDTH = 320;

    public const AXIS = 84;

    /** The last bar is that many and more. */
    private const MOST = 8;

    private const ROOM = 66;

    private const DAYS = 7;

    /** @var array<int, int> people, by how many they had: 1 to 8 */
    public array $people;

    /** Those who had as many as are enough, or more. */
    private int $full;

    /** @param  int|null  $limit  at most so many in 7 days */
    public function __construct(\DateTimeImmutable $now, private ?int $limit)
    {
        // By the index of what left each line, put so that no index in the order of people can serve it: that one would be walked whole.
        $each = DB::table('messages')->whereIn('line_id', DB::table('lines')->pluck('id'))->where('origin', MessageOrigin::Rule->value)
            ->where('left_at', '>', $now->modify('-'.self::DAYS.' days'))->where('state', '!=', MessageState::Failed->value)
            ->groupByRaw('person_id + 0')->selectRaw('count(*) as many');
        $counted = DB::query()->fromSub($each, 'each_one')->groupBy('many')->selectRaw('many, count(*) as people')
            ->pluck('people', 'many')->all();
        $people = array_fill(1, self::MOST, 0);
        $full = 0;
        foreach ($counted as $many => $of) {
            $people[min(self::MOST, (int) $many)] += (int) $of;
            $full += $limit !== null && $many >= $limit ? (int) $of : 0;
        }
        $this->full = $full;
        $this->people = $people;
    }

    public function x(int $many): float
    {
        return round(($many - 1) * self::WIDTH / self::MOST + 3, 1);
    }

    public function width(): float
    {
        return self::WIDTH / self::MOST - 6;
    }

    public function height(int $people): float
    {
        return round(self::ROOM * $people / max(1, ...array_values($this->people)), 1);
    }

    /** Where the limit stands; null where there is none, or it is out of the picture. */
    public function limitAt(): ?float
    {
        return $this->limit === null || $this->limit >= self::MOST ? null : $this->x($this->limit + 1) - 3;
    }

    public function label(int $many): string
    {
        return $many === self::MOST ? "$many or more" : (string) $many;
    }

    public function says(): string
    {
        $all = array_sum($this->people);

        return match (true) {
            $all === 0 => 'Nobody had an automatic text in the last 7 days.',
            $this->limit === null => ucfirst(TimeFormatter::count($all, 'person', 'people')).' had automatic texts in the last 7 days. There is no limit for 7 days.',
            default => 'Of '.TimeFormatter::count($all, 'person', 'people').' who had automatic texts in the last 7 days, '.
                ($this->full === 0 ? 'nobody' : number_format($this->full))." came to $this->limit, which is enough.",
        };
    }
}
