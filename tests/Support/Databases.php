<?php

declare(strict_types=1);

namespace Tests\Support;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What tests do to a database that each kind of database says in its own words. */
final class Databases
{
    public static function isPostgres(): bool
    {
        return DB::connection()->getDriverName() === 'pgsql';
    }

    /** From now on no row that is so can be written: the database says the words. */
    public static function break(string $table, string $words, ?int $personId = null): void
    {
        $when = $personId === null ? '' : (self::isPostgres() ? "when (new.person_id = $personId)" : "when new.person_id = $personId");
        if (! self::isPostgres()) {
            DB::unprepared("create trigger broken before insert on $table $when begin select raise(abort, '$words'); end");

            return;
        }
        DB::unprepared("create or replace function broken() returns trigger language plpgsql as \$\$ begin raise exception '$words'; end \$\$");
        DB::unprepared("create trigger broken before insert on $table for each row $when execute function broken()");
    }

    public static function mend(string $table): void
    {
        DB::unprepared(self::isPostgres() ? "drop trigger broken on $table" : 'drop trigger broken');
    }

    /** Takes every row out of these tables; the next ones have the ids that the first had. */
    public static function empty(string ...$tables): void
    {
        if (self::isPostgres()) {
            $first = array_map(
                fn (string $table): int => self::hasIds($table) ? (int) DB::table($table)->min('id') : 0,
                array_combine($tables, $tables),
            );
            DB::statement('truncate '.implode(', ', array_map(fn (string $table): string => "\"$table\"", $tables)).' restart identity cascade');
            foreach (array_filter($first) as $table => $id) {
                DB::select("select setval(pg_get_serial_sequence('$table', 'id'), $id, false)");
            }

            return;
        }
        DB::statement(DB::transactionLevel() > 0 ? 'pragma defer_foreign_keys = on' : 'pragma foreign_keys = off');
        foreach ($tables as $table) {
            DB::table($table)->delete();
        }
        DB::table('sqlite_sequence')->whereIn('name', $tables)->delete();
        DB::transactionLevel() > 0 || DB::statement('pragma foreign_keys = on');
    }

    /** @return list<string> */
    public static function tables(): array
    {
        $tables = array_column(Schema::getTables(self::isPostgres() ? 'public' : null), 'name');

        return array_values(array_diff($tables, ['migrations']));
    }

    private static function hasIds(string $table): bool
    {
        return in_array('id', array_column(Schema::getColumns($table), 'name'), true);
    }
}
