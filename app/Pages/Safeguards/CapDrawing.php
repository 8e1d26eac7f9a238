<?php

declare(strict_types=1);

namespace App\Pages\Safeguards;

use App\Clock\TimeFormatter;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use Illuminate\Database\Query\Builder;
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
        $since = $now->modify('-'.self::DAYS.' days');
        $theirs = fn (): Builder => DB::table('messages')->where('origin', MessageOrigin::Rule->value)->where('left_at', '>', $since);
        // All that left each line, of which its index knows enough; the few that failed are taken off again.
        $failed = $theirs()->whereRaw('messages.troubled')->where('at', '>', $since)->where('state', MessageState::Failed->value);
        $each = $theirs()->whereIn('line_id', DB::table('lines')->pluck('id'))->selectRaw('person_id, 1 as one')
            ->unionAll($failed->selectRaw('person_id, -1 as one'));
        $had = DB::query()->fromSub($each, 'each_text')->groupBy('person_id')->selectRaw('sum(one) as many');
        $counted = DB::query()->fromSub($had, 'each_one')->where('many', '>', 0)->groupBy('many')->selectRaw('many, count(*) as people')
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
