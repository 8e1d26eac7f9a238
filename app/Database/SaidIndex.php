<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/** The words of what was said, for its search on SQLite; PostgreSQL looks after its index itself. */
final class SaidIndex
{
    private const AT_ONCE = 500;

    /** Takes in some of what was said since, the newest first: a text that leaves waits for no index. @return int how many texts */
    public static function catchUp(): int
    {
        if (DB::getDriverName() !== 'sqlite' || DB::selectOne('select 1 from said_since limit 1') === null) {
            return 0;
        }

        return DB::transaction(function (): int {
            $ids = array_map(intval(...), array_column(DB::select('select id from said_since order by id desc limit ?', [self::AT_ONCE]), 'id'));
            if ($ids !== []) {
                $these = implode(', ', $ids);
                DB::insert("insert into said (rowid, body) select id, body from messages where id in ($these) order by id");
                DB::delete("delete from said_since where id in ($these)");
            }

            return count($ids);
        });
    }
}
