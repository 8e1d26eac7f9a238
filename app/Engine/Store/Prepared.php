<?php

declare(strict_types=1);

namespace App\Engine\Store;

use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;

/** Many rows with the same columns, one by one: compiled by the query builder once, prepared once. */
final class Prepared
{
    /** @var array<string, array{\WeakReference<\PDO>, list<string>, \PDOStatement}> by what is done, table and number of columns */
    private static array $statements = [];

    private readonly Connection $connection;

    private readonly \PDO $pdo;

    /** As the database is connected now. */
    public function __construct()
    {
        $this->connection = DB::connection();
        $this->pdo = $this->connection->getPdo();
    }

    /** @param  non-empty-array<string, mixed>  $values */
    public function update(string $table, int $id, array $values): void
    {
        $this->statement('update', $table, $values)->execute(self::plain([...array_values($values), $id]));
    }

    /** @param  non-empty-array<string, mixed>  $values */
    public function insert(string $table, array $values): void
    {
        $this->statement('insert', $table, $values)->execute(self::plain(array_values($values)));
    }

    /**
     * @param  non-empty-array<string, mixed>  $values
     * @return int the new row's id
     */
    public function insertGetId(string $table, array $values): int
    {
        $this->insert($table, $values);

        return (int) $this->pdo->lastInsertId();
    }

    /** @param  non-empty-array<string, mixed>  $values  of a row that is looked for */
    public function has(string $table, array $values): bool
    {
        $statement = $this->statement('select', $table, $values);
        $statement->execute(self::plain(array_values($values)));
        $has = $statement->fetchColumn() !== false;
        $statement->closeCursor();

        return $has;
    }

    /** @param  non-empty-array<string, mixed>  $values */
    private function statement(string $what, string $table, array $values): \PDOStatement
    {
        $key = "$what/$table/".count($values);
        $columns = array_keys($values);
        if (
            ! isset(self::$statements[$key]) ||
            self::$statements[$key][0]->get() !== $this->pdo ||
            self::$statements[$key][1] !== $columns
        ) {
            $query = $this->connection->table($table)->where('id', 0);
            $sql = match ($what) {
                'update' => $query->getGrammar()->compileUpdate($query, $values),
                'insert' => $query->getGrammar()->compileInsert($query, $values),
                default => $this->connection->table($table)->where(array_map(fn (): int => 0, $values))->select('id')->toSql(),
            };
            // What is asked thousands of times is worth preparing, also where single questions are not.
            $options = $this->connection->getDriverName() === 'pgsql' ? [\PDO::PGSQL_ATTR_DISABLE_PREPARES => false] : [];
            self::$statements[$key] = [\WeakReference::create($this->pdo), $columns, $this->pdo->prepare($sql, $options)];
        }

        return self::$statements[$key][2];
    }

    /**
     * @param  list<mixed>  $values
     * @return list<mixed>
     */
    private static function plain(array $values): array
    {
        foreach ($values as $i => $value) {
            if (is_bool($value)) {
                $values[$i] = (int) $value;
            }
        }

        return $values;
    }
}
