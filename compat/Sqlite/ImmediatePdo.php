<?php

declare(strict_types=1);

namespace Compat\Sqlite;

/**
 * SQLite transactions that take the write lock when they begin. PDO before PHP 8.4 begins them deferred, and two writers that
 * upgrade later end in "database is locked" whatever the busy timeout.
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
        $this->exec('COMMIT');
        $this->open = false;

        return true;
    }

    public function rollBack(): bool
    {
        $this->open = false;
        $this->exec('ROLLBACK');

        return true;
    }

    public function inTransaction(): bool
    {
        return $this->open;
    }
}
