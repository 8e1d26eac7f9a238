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
                    ->post($this->address(), self::body($text)),
                $texts,
            ),
        );

        $answers = [];
        foreach ($texts as $text) {
            $answers[$text->key] = $this->read($responses[$text->key] ?? null);
        }

        return $answers;
    }

    public function describe(Handover $text): string
    {
        return implode("\n", [
            "POST {$this->address()}",
            'Authorization: Bearer ••••••••',
            ...($this->takesKeys ? ["Idempotency-Key: $text->key"] : []),
            '',
            json_encode(self::body($text), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
        ]);
    }

    private function address(): string
    {
        return "$this->url/texts";
    }

    /** @return array<string, string> */
    private static function body(Handover $text): array
    {
        return ['from' => $text->sender, 'to' => $text->receiver, 'text' => $text->words] +
            ($text->picture === null ? [] : ['picture' => $text->picture]);
    }

    private function read(mixed $response): Answer
    {
        return $response instanceof Response
            ? $this->meant($response)->saying("HTTP {$response->status()}\n".mb_scrub($response->body(), 'UTF-8'))
            : $this->meant($response);
    }

    private function meant(mixed $response): Answer
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
