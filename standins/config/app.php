<?php

return [
    'name' => 'Stand-ins',
    'env' => env('APP_ENV', 'production'),
    'key' => env('APP_KEY'),
    'timezone' => 'UTC',
];
