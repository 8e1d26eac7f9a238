<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/** What somebody typed, as a part of a pattern that is looked for. */
final class Like
{
    /**
     * With its own % and _ taken as they are. SQLite takes a backslash for a letter, and would find nothing: there they stand for any
     * letters, which finds what was meant, and at times more.
     */
    public static function part(string $typed): string
    {
        return DB::getDriverName() === 'sqlite' ? $typed : str_replace(['\\', '%', '_'], ['\\\\', '\\%', '\\_'], $typed);
    }
}
