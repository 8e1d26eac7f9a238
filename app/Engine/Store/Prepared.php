<?php

declare(strict_types=1);

namespace App\Engine\Store;

use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;

/** Many rows with the same columns, one by one: compiled by the query builder once, prepared once. */
final class Prepared
{
    /** @var array<string, array{\WeakReference<\PDO>, \PDOStatement}> by what is done, table and columns */
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

    /**
     * @param  non-empty-array<string, mixed>  $values
     * @return int the new row's id
     */
    public function insert(string $table, array $values): int
    {
        $this->statement('insert', $table, $values)->execute(self::plain(array_values($values)));

        return (int) $this->pdo->lastInsertId();
    }

    /**
     * @param  non-empty-array<string, mixed>  $values
     * @return int|null the new row's id; null where it is there already
     */
    public function insertOrIgnore(string $table, array $values): ?int
    {
        $statement = $this->statement('insert or ignore', $table, $values);
        $statement->execute(self::plain(array_values($values)));

        return $statement->rowCount() === 0 ? null : (int) $this->pdo->lastInsertId();
    }

    /** @param  non-empty-array<string, mixed>  $values */
    private function statement(string $what, string $table, array $values): \PDOStatement
    {
        $key = "$what/$table/".implode(',', array_keys($values));
        if (! isset(self::$statements[$key]) || self::$statements[$key][0]->get() !== $this->pdo) {
            $query = $this->connection->table($table)->where('id', 0);
            $sql = match ($what) {
                'update' => $query->getGrammar()->compileUpdate($query, $values),
                'insert' => $query->getGrammar()->compileInsert($query, $values),
                default => $query->getGrammar()->compileInsertOrIgnore($query, $values),
            };
            // What is asked thousands of times is worth preparing, also where single questions are not.
            $options = $this->connection->getDriverName() === 'pgsql' ? [\PDO::PGSQL_ATTR_DISABLE_PREPARES => false] : [];
            self::$statements[$key] = [\WeakReference::create($this->pdo), $this->pdo->prepare($sql, $options)];
        }

        return self::$statements[$key][1];
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
