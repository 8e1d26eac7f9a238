<?php

declare(strict_types=1);

namespace App\Counts;

use Illuminate\Support\Facades\DB;

/** How far the business's clock is from UTC, from when on: by this the database itself tells the day on which a text counts. */
final class AccountOffsets
{
    private const SINCE = 1_577_836_800;

    /** Texts from before the first are taken to be of its offset. */
    public static function fill(string $zone): void
    {
        $until = time() + 20 * 366 * 86400;
        $all = (new \DateTimeZone($zone))->getTransitions(self::SINCE, $until) ?: [['ts' => self::SINCE, 'offset' => 0]];
        $rows = array_map(fn (array $one, int $i): array => [
            'begins_at' => $i === 0 ? '1970-01-01 00:00:00' : gmdate('Y-m-d H:i:s', $one['ts']),
            'seconds' => $one['offset'], 'zone' => $zone,
        ], $all, array_keys($all));
        DB::transaction(function () use ($rows): void {
            DB::table('account_offsets')->delete();
            DB::table('account_offsets')->insert($rows);
        });
    }

    public static function isFor(string $zone): bool
    {
        return DB::table('account_offsets')->where('zone', $zone)->exists();
    }
}
