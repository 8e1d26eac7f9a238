<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/** Inserts rows one by one and gives each its id, by a statement that is prepared once: preparing costs more than the insert itself. */
final class Insert
{
    private ?\PDOStatement $statement = null;

    /** @param  non-empty-list<string>  $columns  in which order the values come */
    public function __construct(private readonly string $table, private readonly array $columns)
    {
    }

    /** @param  array<string, scalar|null>  $row  by column */
    public function row(array $row): int
    {
        $connection = DB::connection();
        $values = array_map(fn (string $column): mixed => $row[$column] ?? null, $this->columns);
        $this->statement ??= $connection->getPdo()->prepare($connection->getQueryGrammar()->compileInsertGetId(
            DB::table($this->table), array_combine($this->columns, array_fill(0, count($this->columns), '?')), 'id',
        ));
        $connection->bindValues($this->statement, $connection->prepareBindings($values));
        $this->statement->execute();
        // Some databases say the id in their answer, others beside it.
        $id = $this->statement->columnCount() > 0 ? $this->statement->fetchColumn() : $connection->getPdo()->lastInsertId();
        $this->statement->closeCursor();

        return (int) $id;
    }
}
