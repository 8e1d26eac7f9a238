<?php

use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Standins\Http\PageHeaders;

$root = dirname(__DIR__, 2);
foreach (['framework/views', 'framework/cache/data', 'framework/sessions', 'logs'] as $folder) {
    if (! is_dir("$root/storage/standins/$folder")) {
        @mkdir("$root/storage/standins/$folder", 0o755, true);
    }
}

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes.php',
        health: '/up',
        then: fn () => Illuminate\Support\Facades\Route::group([], __DIR__.'/../services.php'),
    )
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class);
        $middleware->append(PageHeaders::class);
        $middleware->encryptCookies();
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(
            fn (Request $request): bool => $request->is('carrier/*', 'settle', 'phone/calls') || $request->expectsJson(),
        );
    })
    ->create()
    ->useEnvironmentPath($root)
    ->useStoragePath("$root/storage/standins")
    ->usePublicPath("$root/public");
