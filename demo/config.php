<?php

return [
    // A clock that can be moved: a file under storage/. Unset, time is the machine's.
    'clock_file' => env('CLOCK_FILE'),
    'standins_url' => env('STANDINS_URL'),
];
