<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Vite;
use Symfony\Component\HttpFoundation\Response;

/** Nothing but what the application ships may run or be shown inside it, and nobody keeps a page with people in it. */
final class SecurityHeaders
{
    private const HEADERS = [
        'Content-Security-Policy' => "default-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'; object-src 'none'",
        'X-Content-Type-Options' => 'nosniff',
        'X-Frame-Options' => 'DENY',
        'Referrer-Policy' => 'same-origin',
        'Permissions-Policy' => 'camera=(), microphone=(), geolocation=()',
    ];

    public function handle(Request $request, Closure $next): Response
    {
        // The editor of texts makes its own style sheet: it may, by the word of this one answer.
        $nonce = Vite::useCspNonce();
        $response = self::on($next($request), $request);
        $response->headers->set('Content-Security-Policy', self::HEADERS['Content-Security-Policy']."; style-src 'self' 'nonce-$nonce'");

        return $response;
    }

    /** On every answer, an early error's too. */
    public static function on(Response $response, Request $request): Response
    {
        foreach (self::HEADERS as $name => $value) {
            $response->headers->set($name, $value);
        }
        if ($request->isSecure()) {
            $response->headers->set('Strict-Transport-Security', 'max-age=31536000');
        }
        if ($request->user() !== null || $request->is('out/*', 'f/*', 'api/*')) {
            $response->headers->set('Cache-Control', 'no-store');
        }

        return $response;
    }
}
