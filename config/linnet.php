<?php

return [
    // Further service providers, by class, with commas between: what a demo or a measurement puts in. Empty in earnest.
    'providers' => array_filter(explode(',', (string) env('LINNET_PROVIDERS', ''))),

    // Addresses or ranges of the proxies that stand before this, with commas between, or * for whatever it is reached through.
    // Only their word counts for who asks and whether it came by https.
    'trusted_proxies' => env('TRUSTED_PROXIES', ''),

    // Whoever brings texts to telephones, by the name a line gives. What comes back from one is posted with its secret.
    'carriers' => [
        'main' => [
            'driver' => 'http',
            'url' => (string) env('CARRIER_URL', ''),
            'secret' => (string) env('CARRIER_SECRET', ''),
            'timeout_seconds' => (int) env('CARRIER_TIMEOUT_SECONDS', 10),
            // Whether it takes a text once, however often it is handed over under one Idempotency-Key.
            'takes_keys' => (bool) env('CARRIER_TAKES_KEYS', true),
        ],
    ],

    'hand_over' => [
        // How many texts are handed over side by side.
        'concurrency' => 16,
        // For so long nobody else offers a text that is being handed over: longer than any answer is waited for.
        'lease_seconds' => (int) env('HAND_OVER_LEASE_SECONDS', 30),
    ],

    // Says what sort of line a number reaches and whether anybody has it. Unset, numbers are not looked up.
    'lookup' => [
        'url' => env('LOOKUP_URL'),
        'secret' => env('LOOKUP_SECRET', ''),
        'timeout_seconds' => 5,
    ],

    // A mailbox that answers to notices come into, and the secret with which whatever looks after it posts each to /in/mail.
    'mailbox' => [
        'address' => env('REPLY_MAILBOX'),
        'secret' => env('REPLY_MAILBOX_SECRET', ''),
    ],

    'outside' => [
        // Addresses that others choose are fetched from the open internet alone. These are let through all the same, as host:port,
        // for stand-ins on a developer's machine; leave it empty anywhere else.
        'allowed_private_hosts' => array_filter(explode(',', (string) env('ALLOWED_PRIVATE_HOSTS', env('OUTSIDE_LET_THROUGH', '')))),
        'max_bytes' => 52_428_800,
        'timeout_seconds' => 30,
    ],

    'api' => [
        'most_per_minute' => 600,
    ],

    'deliveries' => [
        'max_bytes' => 262_144,
        'most_per_minute' => 1200,
    ],
];
