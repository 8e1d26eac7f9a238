<?php

return [
    // What the carrier and Linnet both know.
    'carrier_secret' => env('CARRIER_SECRET'),
    // Where Linnet is, and the source the phone system posts to.
    'linnet_url' => env('APP_URL', 'http://127.0.0.1:8000'),
    'phone_secret' => env('PHONE_SECRET', 'osier-quay-phone-secret'),
    'clock_file' => env('CLOCK_FILE'),
    // Real seconds between taking a text and saying what became of it.
    'receipt_delay_seconds' => 1.0,
    'filter_repeats_within_seconds' => 20,
];
