<?php

declare(strict_types=1);

namespace Compat\Sqlite;

use Illuminate\Database\Connectors\SQLiteConnector;

final class ImmediateConnector extends SQLiteConnector
{
    /** @param  array<int, mixed>  $options */
    protected function createPdoConnection($dsn, $username, #[\SensitiveParameter] $password, $options): \PDO
    {
        return new ImmediatePdo($dsn, $username, $password, $options);
    }
}
