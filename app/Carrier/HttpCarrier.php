<?php

declare(strict_types=1);

namespace App\Carrier;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Pool;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Http;

/** Hands texts over by HTTP, several at once, each under its key where the carrier takes keys. */
final readonly class HttpCarrier implements Carrier
{
    public function __construct(
        private string $url,
        #[\SensitiveParameter]
        private string $secret,
        private int $timeoutSeconds,
        private bool $takesKeys = true,
    ) {
    }

    public function takesKeys(): bool
    {
        return $this->takesKeys;
    }

    public function handOver(array $texts): array
    {
        $responses = Http::pool(
            fn (Pool $pool): array => array_map(
                fn (Handover $text) => $pool
                    ->as($text->key)
                    ->withToken($this->secret)
                    ->withHeaders($this->takesKeys ? ['Idempotency-Key' => $text->key] : [])
                    ->timeout($this->timeoutSeconds)
                    ->connectTimeout($this->timeoutSeconds)
                    ->post(
                        "$this->url/texts",
                        ['from' => $text->sender, 'to' => $text->receiver, 'text' => $text->words] +
                            ($text->picture === null ? [] : ['picture' => $text->picture]),
                    ),
                $texts,
            ),
        );

        $answers = [];
        foreach ($texts as $text) {
            $answers[$text->key] = $this->read($responses[$text->key] ?? null);
        }

        return $answers;
    }

    private function read(mixed $response): Answer
    {
        if (! $response instanceof Response) {
            return $response instanceof ConnectionException && $this->neverArrived($response)
                ? Answer::busy('no connection')
                : Answer::none('no answer');
        }
        $ref = $response->json('ref');
        $problem = $response->json('problem');

        return match (true) {
            $response->successful() && is_string($ref) => Answer::accepted($ref),
            $response->status() === 422 => Answer::refused(is_string($problem) ? mb_substr($problem, 0, 120, 'UTF-8') : 'no reason given'),
            // "Too many" and "away for now" are said before anything is taken (RFC 9110, 15.5; RFC 6585, 4).
            in_array($response->status(), [429, 503], true) => Answer::busy("HTTP {$response->status()}"),
            default => Answer::none("HTTP {$response->status()}"),
        };
    }

    /** Nobody was there to hear it: the name leads nowhere, or nothing listens (libcurl's CURLE_COULDNT_RESOLVE_HOST, _CONNECT). */
    private function neverArrived(ConnectionException $e): bool
    {
        return preg_match('/cURL error [567]:/', $e->getMessage()) === 1;
    }
}
