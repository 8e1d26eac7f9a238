<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\Request;
use Illuminate\Session\NullSessionHandler;
use Illuminate\Session\Store;
use Symfony\Component\HttpFoundation\Response;

/**
 * What a page asks by itself, while somebody types or waits, leaves their session as it is: else the word that a form was refused would
 * be used up, or written over, by a request that came between.
 */
final class PreserveSession
{
    public function handle(Request $request, \Closure $next): Response
    {
        $response = $next($request);
        $session = $request->session();
        if ($request->headers->has('HX-Request') && $session instanceof Store) {
            $request->attributes->set(self::class, $session->getHandler());
            $session->setHandler(new NullSessionHandler);
        }

        return $response;
    }

    public function terminate(Request $request): void
    {
        $handler = $request->attributes->get(self::class);
        if ($handler instanceof \SessionHandlerInterface && ($session = $request->session()) instanceof Store) {
            $session->setHandler($handler);
        }
    }
}
