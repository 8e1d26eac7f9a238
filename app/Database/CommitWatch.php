<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/** Tells, for next to nothing, whether the database has been written to since it was last asked: a loop at rest may wake by it. */
final class CommitWatch
{
    private ?int $seen = null;

    /** What other connections committed is always seen; on PostgreSQL what this one did, or anybody has begun to write, too. */
    public function hasChanged(): bool
    {
        $now = (int) DB::scalar(
            DB::getDriverName() === 'pgsql' ? 'select pg_snapshot_xmax(pg_current_snapshot())' : 'pragma data_version',
        );
        $before = $this->seen;
        $this->seen = $now;

        return $before !== null && $before !== $now;
    }
}
