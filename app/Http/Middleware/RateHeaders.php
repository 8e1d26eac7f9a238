<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Says how many requests are left, by the names of draft-ietf-httpapi-ratelimit-headers. */
final class RateHeaders
{
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        foreach (['limit', 'remaining', 'reset'] as $name) {
            $value = $response->headers->get("X-RateLimit-$name");
            if ($name === 'reset') {
                $value = $response->headers->get('Retry-After', '60');
            }
            if ($value !== null) {
                $response->headers->set('RateLimit-'.ucfirst($name), $value);
            }
        }

        return $response;
    }
}
