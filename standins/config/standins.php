<?php

return [
    // What the carrier and Linnet both know.
    'carrier_secret' => env('CARRIER_SECRET'),
    'lookup_secret' => env('LOOKUP_SECRET', 'osier-quay-lookup-secret'),
    'mail_secret' => env('REPLY_MAILBOX_SECRET', ''),
    // Where Linnet is, and the source the phone system posts to.
    'linnet_url' => env('APP_URL', 'http://127.0.0.1:8000'),
    'phone_secret' => env('PHONE_SECRET', 'osier-quay-phone-secret'),
    'shop_secret' => env('SHOP_SECRET', 'whsec_b3NpZXItcXVheS1zaG9wLXNlY3JldC1tYWRlLXVw'),
    'bookings_secret' => env('BOOKINGS_SECRET', 'osier-quay-bookings-secret'),
    'clock_file' => env('CLOCK_FILE'),
    // Real seconds between taking a text and saying what became of it.
    'receipt_delay_seconds' => 1.0,
    'filter_repeats_within_seconds' => 20,
];
