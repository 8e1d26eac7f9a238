<?php

return [
    'default' => 'standins',
    'connections' => [
        'standins' => [
            'driver' => 'sqlite',
            'database' => env('STANDINS_DATABASE', dirname(__DIR__, 2).'/database/standins.sqlite'),
            'prefix' => '',
            'foreign_key_constraints' => true,
            'busy_timeout' => 10000,
            'journal_mode' => 'WAL',
            'synchronous' => 'NORMAL',
        ],
    ],
    'migrations' => ['table' => 'migrations'],
];
