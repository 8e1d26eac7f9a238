<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Support\Facades\DB;

/** Somebody about whom something became otherwise: what lies ahead of them is to be worked out anew. */
final class ForecastMark
{
    private const AT_ONCE = 400;

    /** @param  list<int>  $people */
    public static function leave(array $people): void
    {
        $since = gmdate('Y-m-d H:i:s');
        $people = array_unique($people);
        // In one order: whoever else leaves marks meanwhile is waited for, not met crosswise.
        sort($people);
        foreach (array_chunk($people, self::AT_ONCE) as $some) {
            DB::table('forecast_marks')->upsert(
                array_map(fn (int $id): array => ['person_id' => $id, 'turn' => 1, 'since' => $since], $some),
                ['person_id'],
                ['turn' => DB::raw('forecast_marks.turn + 1')],
            );
        }
    }

    /** @return array<int, int> those who have waited longest, each with how often they were marked */
    public static function next(int $most): array
    {
        return DB::table('forecast_marks')
            ->orderBy('since')
            ->orderBy('person_id')
            ->limit($most)
            ->pluck('turn', 'person_id')
            ->map(intval(...))
            ->all();
    }

    /** @param  array<int, int>  $marks as they were when the work began: who was marked again since is still to do */
    public static function clear(array $marks): void
    {
        $byTurn = [];
        foreach ($marks as $person => $turn) {
            $byTurn[$turn][] = $person;
        }
        foreach ($byTurn as $turn => $people) {
            DB::table('forecast_marks')->whereIn('person_id', $people)->where('turn', $turn)->delete();
        }
    }
}
