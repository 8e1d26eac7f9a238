<?php

declare(strict_types=1);

namespace App\Http\Controllers\In;

use App\Intake\Deliveries;
use App\Intake\Proven;
use App\Models\DeliveryState;
use App\Models\Source;
use App\Sentences\Sentence;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\File\UploadedFile;

/** What a source posts. */
final class TakeDelivery
{
    /** Without the secret, from one address in a minute. */
    private const MOST_FROM_ONE = 60;

    /** And from all. */
    private const MOST = 600;

    public function __invoke(
        Request $request,
        Source $source,
        Deliveries $deliveries,
        ClockInterface $clock,
        ?string $secret = null,
    ): JsonResponse {
        $doubt = Proven::doubt($source, $request, $secret, $clock->now());
        if ($doubt !== null && $this->isTooMany($source, $request)) {
            return new JsonResponse(['state' => 'refused', 'says' => Sentence::of($doubt)], 429, ['Retry-After' => 60]);
        }
        $headers = array_map(fn (array $values): string => (string) ($values[0] ?? ''), $request->headers->all());
        $body = (string) $request->getContent();
        if ($body === '' && str_starts_with(strtolower($headers['content-type'] ?? ''), 'multipart/form-data')) {
            $body = self::asPlainForm($request);
            $headers['content-type'] = 'application/x-www-form-urlencoded';
        }
        $delivery = $deliveries->receive($source, $body, $headers, $doubt);

        return new JsonResponse([
            'state' => $delivery->state->value,
            'says' => $delivery->reason === null ? null : Sentence::of($delivery->reason),
        ], match (true) {
            // Our own fault, and mended soon: whoever sends may try again.
            $doubt?->code === 'intake.secret_lost' => 503,
            $doubt !== null => 401,
            $delivery->is_cut => 413,
            ($delivery->reason['code'] ?? '') === 'intake.content_type' => 415,
            $delivery->state === DeliveryState::Refused => 422,
            $delivery->state === DeliveryState::Kept => 202,
            default => 200,
        }, $doubt?->code === 'intake.secret_lost' ? ['Retry-After' => 600] : []);
    }

    /** A multipart form is taken apart before anybody sees it: its fields are kept as a plain form says them, of its files the names. */
    private static function asPlainForm(Request $request): string
    {
        $files = $request->files->all();
        array_walk_recursive($files, function (mixed &$file): void {
            $file = $file instanceof UploadedFile ? $file->getClientOriginalName() : '';
        });

        return http_build_query(array_replace_recursive($request->request->all(), $files));
    }

    /** Whoever does not show that they are the source is heard some times a minute, and costs no more than that. */
    private function isTooMany(Source $source, Request $request): bool
    {
        return RateLimiter::hit("unproven|$source->id|{$request->ip()}") > self::MOST_FROM_ONE ||
            RateLimiter::hit("unproven|$source->id") > self::MOST;
    }
}
