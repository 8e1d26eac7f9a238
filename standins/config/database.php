<?php

return [
    'default' => 'standins',
    'connections' => [
        'standins' => [
            'driver' => 'sqlite',
            'database' => dirname(__DIR__, 2).'/database/'.env('STANDINS_DB_FILE', 'standins.sqlite'),
            'prefix' => '',
            'foreign_key_constraints' => true,
            'busy_timeout' => 10000,
            'journal_mode' => 'WAL',
            'synchronous' => 'NORMAL',
        ],
    ],
    'migrations' => ['table' => 'migrations'],
];
