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
    /** Of a request: the origins whose pages may show the answer. */
    public const FRAMED_BY = 'framed by';

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
        $policy = self::HEADERS['Content-Security-Policy'];
        // A form may stand in the pages that are named for it.
        $framed = $request->attributes->get(self::FRAMED_BY);
        if (is_array($framed) && $framed !== []) {
            $by = 'frame-ancestors '.implode(' ', array_filter($framed, is_string(...)));
            $policy = str_replace("frame-ancestors 'none'", $by, $policy);
            $response->headers->remove('X-Frame-Options');
        }
        $response->headers->set('Content-Security-Policy', "$policy; style-src 'self' 'nonce-$nonce'");

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
