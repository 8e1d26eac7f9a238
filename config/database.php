<?php

return [
    'default' => env('DB_CONNECTION', 'sqlite'),

    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'database' => env('DB_DATABASE', database_path(env('DB_FILE', 'linnet.sqlite'))),
            'prefix' => '',
            'foreign_key_constraints' => true,
            // Milliseconds a lock is waited for.
            'busy_timeout' => (int) env('DB_BUSY_TIMEOUT', 10_000),
            'journal_mode' => 'WAL',
            'synchronous' => 'NORMAL',
            'pragmas' => ['temp_store' => 'MEMORY', 'cache_size' => -65536, 'mmap_size' => 268435456],
        ],
        'pgsql' => [
            'driver' => 'pgsql',
            'url' => env('DB_URL'),
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '5432'),
            'database' => env('DB_DATABASE', 'linnet'),
            'username' => env('DB_USERNAME', 'linnet'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => 'utf8',
            'search_path' => 'public',
            'sslmode' => env('DB_SSLMODE', 'prefer'),
            // Compiling a query takes longer than any page's query runs.
            'server_options' => ['jit' => 'off'],
            'persistent' => (bool) env('DB_PERSISTENT', true),
            // Each query goes once over the wire, with its values beside it, instead of three times to be prepared, run and forgotten.
            'options' => extension_loaded('pdo_pgsql')
                ? [
                    PDO::PGSQL_ATTR_DISABLE_PREPARES => true,
                ]
                : [],
        ],
    ],
];
