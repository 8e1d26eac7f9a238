<?php

declare(strict_types=1);

namespace App\Engine\Store;

use Illuminate\Support\Facades\DB;

/**
 * Everything about one person is done in order, by one worker at a time: whoever is at it holds the person's row until the transaction
 * ends. Rows are always locked in the order of their ids, and before anything else is. Where a database has one writer at a time (SQLite),
 * the transaction itself is the lock.
 */
final class PersonLocks
{
    private const AT_ONCE = 400;

    /**
     * Takes those that nobody else is at now.
     *
     * @param  list<int>  $people
     * @return list<int>
     */
    public static function free(array $people): array
    {
        return self::lock($people, 'for update skip locked');
    }

    /**
     * Takes them all, and waits for whoever is at them.
     *
     * @param  list<int>  $people
     */
    public static function wait(array $people): void
    {
        self::lock($people, 'for update');
    }

    /**
     * @param  list<int>  $people
     * @return list<int>
     */
    private static function lock(array $people, string $how): array
    {
        $locked = [];
        $people = array_values(array_unique($people));
        if (DB::connection()->getDriverName() === 'sqlite') {
            return $people;
        }
        sort($people);
        foreach (array_chunk($people, self::AT_ONCE) as $some) {
            array_push($locked, ...DB::table('people')->whereIn('id', $some)->orderBy('id')->lock($how)->pluck('id')->all());
        }

        return array_map(intval(...), $locked);
    }
}
