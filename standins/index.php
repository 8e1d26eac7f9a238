<?php

// The stand-ins' front door: what the application ships (styles, scripts, fonts) is theirs too; everything else is a route.

use Illuminate\Http\Request;

$path = parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH);
if (
    is_string($path) &&
    (str_starts_with($path, '/build/') || $path === '/favicon.svg') &&
    ! str_contains($path, '..') &&
    is_file(__DIR__.'/../public'.$path)
) {
    return false;
}

require __DIR__.'/../vendor/autoload.php';

$app = require __DIR__.'/bootstrap/app.php';
$app->handleRequest(Request::capture());
