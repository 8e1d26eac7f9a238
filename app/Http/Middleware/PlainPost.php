<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What other systems post is a post, whatever their fields or headers are called: a form's “_method” is a value like any other. */
final class PlainPost
{
    public function handle(Request $request, Closure $next): Response
    {
        if ($request->is('in/*')) {
            $request->headers->remove('X-HTTP-Method-Override');
            $request->request->remove('_method');
            $request->query->remove('_method');
            $request->setMethod($request->getRealMethod());
        }

        return $next($request);
    }
}
