<?php

declare(strict_types=1);

namespace App\Api;

use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\JsonResponse;
use Illuminate\Validation\ValidationException;
use Laravel\Sanctum\Exceptions\MissingAbilityException;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

/** What went wrong, in the form of RFC 9457. */
final class ProblemDetails
{
    /**
     * @param  array<string, mixed>  $more
     * @param  array<string, string|int>  $headers
     */
    public static function of(int $status, string $title, ?string $detail = null, array $more = [], array $headers = []): JsonResponse
    {
        return new JsonResponse(
            ['type' => 'about:blank', 'title' => $title, 'status' => $status] + ($detail === null ? [] : ['detail' => $detail]) + $more,
            $status, $headers + ['Content-Type' => 'application/problem+json'], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
        );
    }

    public static function from(\Throwable $e): JsonResponse
    {
        return match (true) {
            $e instanceof AuthenticationException => self::of(
                401, 'A token is needed', 'Send one made in Settings as a bearer token.', headers: ['WWW-Authenticate' => 'Bearer'],
            ),
            $e->getPrevious() instanceof MissingAbilityException => self::of(
                403,
                'The token may not do this',
                'Make one in Settings that may: '.implode(', ', $e->getPrevious()->abilities()).'.',
            ),
            $e instanceof ValidationException => self::of(422, 'Something in it cannot be used', 'See errors, by field.', [
                'errors' => $e->errors(),
            ]),
            $e instanceof ModelNotFoundException => self::of(404, 'It is not there'),
            $e instanceof HttpExceptionInterface => self::of(
                $e->getStatusCode(),
                match ($e->getStatusCode()) {
                    404 => 'It is not there',
                    405 => 'That cannot be done to it',
                    409 => 'It conflicts with what is there',
                    413 => 'It is too large',
                    429 => 'Too many requests',
                    default => 'It cannot be done',
                },
                $e->getMessage() !== '' && $e->getStatusCode() !== 404 && $e->getStatusCode() !== 405 ? $e->getMessage() : null,
                headers: $e->getHeaders(),
            ),
            default => self::of(500, 'Something went wrong here', 'It is noted. Try again later.'),
        };
    }
}
