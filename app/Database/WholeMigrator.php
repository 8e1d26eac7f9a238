<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Console\View\Components\Task;
use Illuminate\Database\Connection;
use Illuminate\Database\Migrations\Migrator;

/**
 * Each migration with the note that it was run in one transaction: killed at whatever moment, it is whole or was not there. The framework
 * notes it afterwards, and runs those of SQLite without any.
 */
final class WholeMigrator extends Migrator
{
    /**
     * @param  string  $file
     * @param  int  $batch
     * @param  bool  $pretend
     */
    protected function runUp($file, $batch, $pretend): void
    {
        $migration = $this->resolvePath($file);
        $name = $this->getMigrationName($file);
        $connection = $this->resolveConnection((string) (method_exists($migration, 'getConnection') ? $migration->getConnection() : ''));
        if ($pretend || ! $connection instanceof Connection) {
            parent::runUp($file, $batch, $pretend);

            return;
        }
        /** @phpstan-ignore argument.type (its docblock forgets the closure that the framework itself gives) */
        $this->write(Task::class, $name, function () use ($connection, $migration, $name, $batch): void {
            $isSqlite = $connection->getDriverName() === 'sqlite';
            // A table that is made anew is taken out for a moment; inside a transaction this cannot be said any more.
            $isSqlite && $connection->statement('pragma foreign_keys = off');
            try {
                $connection->transaction(function () use ($connection, $migration, $name, $batch, $isSqlite): void {
                    $this->runMethod($connection, $migration, 'up');
                    if ($isSqlite && $connection->select('pragma foreign_key_check') !== []) {
                        throw new \RuntimeException("$name leaves rows that lead nowhere.");
                    }
                    $this->repository->log($name, $batch);
                });
            } finally {
                $isSqlite && $connection->statement('pragma foreign_keys = on');
            }
        });
    }
}
