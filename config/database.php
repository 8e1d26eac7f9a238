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
    ],
];
