<?php

declare(strict_types=1);

namespace App\Http;

use App\Api\ProblemDetails;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\Response as Answer;

/** The answer where the database is busy, full or away: nothing was done, and it may be asked again. */
final class Busy
{
    private const SECONDS = 5;

    public static function answer(Request $request): Answer
    {
        $headers = ['Retry-After' => self::SECONDS];

        return match (true) {
            $request->is('api/*') => ProblemDetails::of(
                503, 'Busy', 'The database is busy or full. Nothing was done; ask again in a moment.', headers: $headers,
            ),
            $request->is('in/*') || $request->expectsJson() => new JsonResponse(
                ['problem' => 'busy: nothing was taken, send it again'],
                503,
                $headers,
            ),
            default => new Response(view('errors.busy', ['sent' => ! $request->isMethodSafe()]), 503, $headers),
        };
    }
}
