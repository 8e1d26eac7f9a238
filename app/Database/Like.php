<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/** What somebody typed, looked for as it stands: its own % and _ are no wildcards. */
final class Like
{
    /**
     * @param  Builder<covariant Model>  $query  one of whose columns holds it
     * @param  list<string>  $columns
     * @param  string  $before  what may stand before it; empty where it is how they begin
     */
    public static function any(Builder $query, array $columns, string $typed, string $before = '%'): void
    {
        $escaped = str_replace(['\\', '%', '_'], ['\\\\', '\\%', '\\_'], $typed);
        // SQLite takes a backslash for a letter unless it is told; told, it looks in no index.
        $isTold = $escaped !== $typed && DB::getDriverName() === 'sqlite';
        foreach ($columns as $column) {
            $isTold
                ? $query->orWhereRaw("\"$column\" like ? escape '\\'", ["$before$escaped%"])
                : $query->orWhereLike($column, "$before$escaped%");
        }
    }
}
