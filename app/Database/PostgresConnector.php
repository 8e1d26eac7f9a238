<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Connectors\PostgresConnector as Connector;

/**
 * A web server's process keeps its connection: a new one has everything about the tables to look up again. Decided where it is opened:
 * settings that are put together beforehand are put together at the command line.
 */
final class PostgresConnector extends Connector
{
    /**
     * @param  array<string, mixed>  $config
     * @return array<int, mixed>
     */
    public function getOptions(array $config): array
    {
        return parent::getOptions($config) + [\PDO::ATTR_PERSISTENT => PHP_SAPI !== 'cli' && (bool) ($config['persistent'] ?? true)];
    }
}
