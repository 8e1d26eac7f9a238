<?php

use App\Api\ProblemDetails;
use App\Database\Trouble;
use App\Http\Busy;
use App\Http\Middleware\PlainPost;
use App\Http\Middleware\RateHeaders;
use App\Http\Middleware\ReadableText;
use App\Http\Middleware\RunOnce;
use App\Http\Middleware\SecurityHeaders;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Auth\Middleware\Authorize;
use Illuminate\Contracts\Auth\Middleware\AuthenticatesRequests;
use Illuminate\Contracts\Session\Middleware\AuthenticatesSessions;
use Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Routing\Middleware\ThrottleRequests;
use Illuminate\Routing\Middleware\ThrottleRequestsWithRedis;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\View\Middleware\ShareErrorsFromSession;
use Laravel\Sanctum\Http\Middleware\CheckForAnyAbility;
use Symfony\Component\HttpFoundation\Response;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
        apiPrefix: 'api/v1',
        commands: __DIR__.'/../routes/console.php',
        health: '/up',
        then: fn () => Illuminate\Support\Facades\Route::group([], __DIR__.'/../routes/in.php'),
    )
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class);
        $middleware->prepend(SecurityHeaders::class);
        $middleware->prepend(PlainPost::class);
        // Who may not look is told so whether or not there is anything: ids are nobody's business.
        $middleware->priority([
            EncryptCookies::class,
            AddQueuedCookiesToResponse::class,
            StartSession::class,
            ShareErrorsFromSession::class,
            AuthenticatesRequests::class,
            ThrottleRequests::class,
            ThrottleRequestsWithRedis::class,
            AuthenticatesSessions::class,
            Authorize::class,
            SubstituteBindings::class,
        ]);
        $middleware->web(prepend: [ReadableText::class]);
        $middleware->api(prepend: [ReadableText::class, RateHeaders::class, 'auth:sanctum', 'throttle:api', RunOnce::class]);
        $middleware->alias(['ability' => CheckForAnyAbility::class]);
        $middleware->redirectGuestsTo(fn (Request $request): ?string => $request->is('api/*') ? null : '/log-in');
        $middleware->redirectUsersTo('/');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        // A database in trouble is no error of what was asked: whoever asked may ask again.
        $exceptions->render(fn (Throwable $e, Request $request) => Trouble::passes($e) ? Busy::answer($request) : null);
        // A part of a page that is asked for has no room for the form to log in.
        $exceptions->render(fn (AuthenticationException $e, Request $request) => $request->headers->has('HX-Request')
            ? new PlainResponse(view('errors.401'), 401)
            : null);
        $exceptions->render(fn (Throwable $e, Request $request) => $request->is('api/*') ? ProblemDetails::from($e) : null);
        $exceptions->respond(fn (Response $response, Throwable $e, Request $request): Response => SecurityHeaders::on($response, $request));
        $exceptions->shouldRenderJsonWhen(fn (Request $request): bool => $request->is('in/*') || $request->expectsJson());
    })
    ->create();
