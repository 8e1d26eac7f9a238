<?php

return [
    'carrier' => [
        'url' => env('CARRIER_URL'),
        'secret' => env('CARRIER_SECRET'),
        'timeout_seconds' => 10,
        'at_once' => 16,
        // An attempt that failed in passing is made again after 2, 4, 8 … seconds, so often at most.
        'attempts' => 8,
    ],

    'demo' => [
        // A clock that can be moved: a file under storage/. Unset, time is the machine's.
        'clock_file' => env('CLOCK_FILE'),
        'standins_url' => env('STANDINS_URL'),
    ],

    'deliveries' => [
        'most_bytes' => 262_144,
        'most_per_minute' => 1200,
    ],
];
