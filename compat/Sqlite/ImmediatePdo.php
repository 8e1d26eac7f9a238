<?php

declare(strict_types=1);

namespace Compat\Sqlite;

/**
 * SQLite transactions that take the write lock when they begin. PDO before PHP 8.4 begins them deferred, and two writers that
 * upgrade later end in "database is locked" whatever the busy timeout.
 *
 * Whatever fails, no transaction is left open behind it: a commit that fails is undone, and one that SQLite has undone by itself (a full
 * disk, an error of reading) is not undone again.
 */
final class ImmediatePdo extends \PDO
{
    private bool $open = false;

    public function beginTransaction(): bool
    {
        $this->exec('BEGIN IMMEDIATE');

        return $this->open = true;
    }

    public function commit(): bool
    {
        try {
            $this->exec('COMMIT');
        } catch (\PDOException $e) {
            $this->rollBack();

            throw $e;
        }
        $this->open = false;

        return true;
    }

    public function rollBack(): bool
    {
        $this->open = false;
        try {
            $this->exec('ROLLBACK');
        } catch (\PDOException $e) {
            if (! str_contains($e->getMessage(), 'no transaction is active')) {
                throw $e;
            }
        }

        return true;
    }

    public function inTransaction(): bool
    {
        return $this->open;
    }
}
