<?php

declare(strict_types=1);

namespace Compat\Sqlite;

use Illuminate\Database\Connectors\SQLiteConnector;

final class ImmediateConnector extends SQLiteConnector
{
    /** SQLITE_OPEN_NOMUTEX, which PDO knows no name for. */
    private const NO_MUTEX = 0x8000;

    /** @param  array<int, mixed>  $options */
    protected function createPdoConnection($dsn, $username, #[\SensitiveParameter] $password, $options): \PDO
    {
        // One process, one thread: the library's own locks between threads cost each call, and guard nothing here.
        $flags = \PDO::SQLITE_OPEN_READWRITE | \PDO::SQLITE_OPEN_CREATE | self::NO_MUTEX;

        return new ImmediatePdo($dsn, $username, $password, $options + [\PDO::SQLITE_ATTR_OPEN_FLAGS => $flags]);
    }
}
