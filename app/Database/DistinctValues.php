<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/**
 * The different values of an indexed column, found by going from each to the next in the index: as many steps as there are values, however
 * many rows have them (a loose index scan).
 */
final class DistinctValues
{
    /**
     * @param  array<string, string>  $only  columns that stand before it in the index, each with one value
     * @return list<string> in their order
     */
    public static function of(string $table, string $column, array $only = []): array
    {
        $where = implode('', array_map(fn (string $name): string => " and \"$name\" = ?", array_keys($only)));
        $values = array_values($only);
        $rows = DB::select(
            "with recursive v(value) as (
                select min(\"$column\") from $table where \"$column\" is not null$where
                union all
                select (select min(\"$column\") from $table where \"$column\" > v.value$where) from v where v.value is not null
            ) select value from v where value is not null",
            [...$values, ...$values],
        );

        return array_values(array_map(fn (\stdClass $row): string => (string) $row->value, $rows));
    }
}
