<?php

declare(strict_types=1);

namespace App\Rehearsals;

use App\Models\Rehearsal;
use App\Models\RehearsalSide;
use App\Models\RehearsedState;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Rehearsal\Past\Replayed;

/** What is told of one side of a rehearsal at a look, counted once, from its rows. */
final readonly class RehearsalSummary
{
    public function __construct(private Rehearsal $rehearsal, private RehearsalSide $side, private \DateTimeZone $zone)
    {
    }

    /** @return array<string, mixed> */
    public function of(Replayed $replayed): array
    {
        $went = $this->texts()->whereIn('state', RehearsedState::went())->selectRaw(
            'count(*) as texts, count(distinct person_id) as people, coalesce(sum(parts), 0) as parts, '.
            'coalesce(sum(price_micros), 0) as micros, count(held_by) as held, coalesce(max(held_seconds), 0) as longest, '.
            'count(too_late_since) as late',
        )->first();

        return [
            'runs' => $this->runs()->count(), 'texts' => (int) $went?->texts, 'people' => (int) $went?->people,
            'parts' => (int) $went?->parts, 'micros' => (int) $went?->micros, 'held' => (int) $went?->held,
            'longest' => (int) $went?->longest, 'late' => (int) $went?->late, 'busiest' => $this->busiest(), 'days' => $this->days(),
            'hours' => $this->hours(), 'reasons' => $this->reasons(), 'acts' => $replayed->acts,
        ];
    }

    private function texts(): Builder
    {
        return DB::table('rehearsed_texts')->where('rehearsal_id', $this->rehearsal->id)->where('side', $this->side->value);
    }

    private function runs(): Builder
    {
        return DB::table('rehearsed_runs')->where('rehearsal_id', $this->rehearsal->id)->where('side', $this->side->value);
    }

    /** @return array{at: string, line: int|null, texts: int}|null the minute in which most would have left one line */
    private function busiest(): ?array
    {
        $minute = DB::getDriverName() === 'pgsql' ? "to_char(left_at, 'YYYY-MM-DD HH24:MI')" : "strftime('%Y-%m-%d %H:%M', left_at)";
        $row = $this->texts()
            ->whereNotNull('left_at')
            ->groupByRaw("$minute, line_id")
            ->selectRaw("$minute as minute, line_id, count(*) as many")
            ->orderByDesc('many')
            ->orderBy('minute')
            ->first();

        return $row === null ? null : [
            'at' => "$row->minute:00", 'line' => $row->line_id === null ? null : (int) $row->line_id, 'texts' => (int) $row->many,
        ];
    }

    /** @return array<string, array{int, int}> texts that would have left, and how many of them were held, by day */
    private function days(): array
    {
        $rows = $this->texts()
            ->whereNotNull('left_at')
            ->groupBy('day')
            ->orderBy('day')
            ->selectRaw('day, count(*) as many, count(held_by) as held')
            ->get();

        return $rows->mapWithKeys(fn (\stdClass $row): array => [(string) $row->day => [(int) $row->many, (int) $row->held]])->all();
    }

    /** @return array<int, array{int, int}> the same by hour of the business's own clock */
    private function hours(): array
    {
        $hours = [];
        foreach ($this->texts()->whereNotNull('left_at')->select(['id', 'left_at', 'held_by'])->lazyById(5000) as $row) {
            $hour = (int) (new \DateTimeImmutable((string) $row->left_at, new \DateTimeZone('UTC')))->setTimezone($this->zone)->format('G');
            $hours[$hour] = [($hours[$hour][0] ?? 0) + 1, ($hours[$hour][1] ?? 0) + (int) ($row->held_by !== null)];
        }
        ksort($hours);

        return $hours;
    }

    /**
     * What would not have gone: texts, beginnings, and runs that ended without a text.
     *
     * @return list<array{why: string, of: string, many: int}>
     */
    private function reasons(): array
    {
        $texts = $this->texts()
            ->whereNotIn('state', RehearsedState::went())
            ->whereNotNull('why')
            ->groupBy('why', 'state')
            ->selectRaw('why, state, count(*) as many')
            ->get();
        $runs = $this->runs()
            ->where('texts', 0)
            ->whereNotNull('why')
            ->whereNotIn('run', $this->texts()->whereNotNull('run')->select('run'))
            ->groupBy('why')
            ->selectRaw("why, 'run' as state, count(*) as many")
            ->get();

        return array_values($texts->concat($runs)->sortByDesc('many')->map(fn (\stdClass $row): array => [
            'why' => (string) $row->why, 'of' => (string) $row->state, 'many' => (int) $row->many,
        ])->all());
    }
}
