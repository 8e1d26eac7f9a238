<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\ConcurrencyErrorDetector;
use Illuminate\Database\LostConnectionDetector;
use Illuminate\Database\QueryException;

/**
 * Troubles of the database itself, which pass: it is busy, full, read-only, or away. What was being done is not to blame, and is done
 * again when the trouble is over.
 *
 * Sources: SQLite's result codes (sqlite.org/rescode.html); PostgreSQL's error codes (appendix A of its manual).
 */
final class Trouble
{
    /** Busy, locked, interrupted, read-only, trouble of reading or writing, full, cannot be opened, locking protocol. */
    private const SQLITE = [5, 6, 8, 9, 10, 13, 14, 15];

    /**
     * Connection, rolled back (deadlock, serialization), not enough of something (disk, memory, connections), taken back by whoever runs
     * it, trouble of the system.
     */
    private const CLASSES = ['08', '40', '53', '57', '58'];

    /** Read-only; a lock that cannot be had. */
    private const STATES = ['25006', '55P03'];

    public static function passes(\Throwable $e): bool
    {
        for ($one = $e; $one !== null; $one = $one->getPrevious()) {
            if ($one instanceof \PDOException && (self::bySign($one)
                || (new ConcurrencyErrorDetector)->causedByConcurrencyError($one)
                || (new LostConnectionDetector)->causedByLostConnection($one))) {
                return true;
            }
        }

        return false;
    }

    /** What went wrong, for whoever looks after the server. Never the statement: it holds what people said, and their numbers. */
    public static function says(\Throwable $e, int $characters): string
    {
        $cause = $e instanceof QueryException ? $e->getPrevious() ?? $e : $e;

        return mb_substr(mb_scrub(rtrim($cause->getMessage(), '.'), 'UTF-8'), 0, $characters, 'UTF-8');
    }

    private static function bySign(\PDOException $e): bool
    {
        $state = (string) ($e->errorInfo[0] ?? $e->getCode());
        $code = $e->errorInfo[1] ?? null;

        return $state === 'HY000' && is_int($code) && $code > 0 ? in_array($code & 0xFF, self::SQLITE, true)
            : in_array(substr($state, 0, 2), self::CLASSES, true) || in_array($state, self::STATES, true);
    }
}
