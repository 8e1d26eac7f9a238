<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Api\ProblemDetails;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Laravel\Sanctum\PersonalAccessToken;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Response;

/**
 * A request that changes something and carries an Idempotency-Key is carried out once: the same one again gets the same answer, another
 * one under the same key is refused (draft-ietf-httpapi-idempotency-key-header). Keys are kept for a day.
 */
final readonly class RunOnce
{
    public function __construct(private ClockInterface $clock)
    {
    }

    public function handle(Request $request, Closure $next): Response
    {
        $key = $request->header('Idempotency-Key');
        $token = $request->user()?->currentAccessToken();
        if (! is_string($key) || $key === '' || $request->isMethodSafe() || ! $token instanceof PersonalAccessToken) {
            return $next($request);
        }
        if (strlen($key) > 200) {
            return ProblemDetails::of(400, 'The Idempotency-Key is too long', 'Up to 200 characters are taken.');
        }
        $now = $this->clock->now()->format('Y-m-d H:i:s');
        $about = ['token_id' => $token->getKey(), 'key' => $key];
        $fingerprint = hash('sha256', $request->method().' '.$request->getRequestUri()."\n".$request->getContent());
        DB::table('idempotency_keys')->where('at', '<', $this->clock->now()->modify('-1 day')->format('Y-m-d H:i:s'))->delete();
        if (DB::table('idempotency_keys')->insertOrIgnore($about + ['fingerprint' => $fingerprint, 'at' => $now]) === 0) {
            $known = DB::table('idempotency_keys')->where($about)->first();

            return match (true) {
                $known === null || $known->fingerprint !== $fingerprint => ProblemDetails::of(
                    422,
                    'The key was used for something else',
                    'Take a new Idempotency-Key for each new request.',
                ),
                $known->status === null => ProblemDetails::of(
                    409, 'It is being carried out', 'The first request with this key has no answer yet. Try again in a moment.',
                    headers: ['Retry-After' => 1],
                ),
                default => new JsonResponse(json_decode((string) $known->body, true), (int) $known->status, [
                    'Idempotency-Replayed' => 'true',
                ]),
            };
        }
        try {
            $response = $next($request);
        } catch (\Throwable $e) {
            DB::table('idempotency_keys')->where($about)->delete();
            throw $e;
        }
        $response->getStatusCode() < 500
            ? DB::table('idempotency_keys')
                ->where($about)
                ->update(['status' => $response->getStatusCode(), 'body' => $response->getContent()])
            : DB::table('idempotency_keys')->where($about)->delete();

        return $response;
    }
}
