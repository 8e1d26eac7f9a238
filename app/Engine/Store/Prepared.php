<?php

declare(strict_types=1);

namespace App\Engine\Store;

use Illuminate\Support\Facades\DB;

/** Many rows with the same columns, one by one: compiled by the query builder once, prepared once. */
final class Prepared
{
    /** @var array<string, array{\WeakReference<\PDO>, \PDOStatement}> by what is done, table and columns */
    private static array $statements = [];

    /** @param  non-empty-array<string, mixed>  $values */
    public static function update(string $table, int $id, array $values): void
    {
        self::statement('update', $table, $values)->execute(self::plain([...array_values($values), $id]));
    }

    /**
     * @param  non-empty-array<string, mixed>  $values
     * @return int the new row's id
     */
    public static function insert(string $table, array $values): int
    {
        self::statement('insert', $table, $values)->execute(self::plain(array_values($values)));

        return (int) DB::getPdo()->lastInsertId();
    }

    /** @param  non-empty-array<string, mixed>  $values */
    private static function statement(string $what, string $table, array $values): \PDOStatement
    {
        $key = "$what/$table/".implode(',', array_keys($values));
        $connection = DB::connection();
        $pdo = $connection->getPdo();
        if (! isset(self::$statements[$key]) || self::$statements[$key][0]->get() !== $pdo) {
            $query = $connection->table($table)->where('id', 0);
            $sql =
                $what === 'update'
                    ? $query->getGrammar()->compileUpdate($query, $values)
                    : $query->getGrammar()->compileInsert($query, $values);
            self::$statements[$key] = [\WeakReference::create($pdo), $pdo->prepare($sql)];
        }

        return self::$statements[$key][1];
    }

    /**
     * @param  list<mixed>  $values
     * @return list<mixed>
     */
    private static function plain(array $values): array
    {
        return array_map(fn (mixed $value): mixed => is_bool($value) ? (int) $value : $value, $values);
    }
}
