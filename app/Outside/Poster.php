<?php

declare(strict_types=1);

namespace App\Outside;

use App\Sentences\Sentence;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\Http;

/** Posts JSON to an address that others chose: to the open internet alone, and no further than that address. */
final readonly class Poster
{
    private const TIMEOUT_SECONDS = 10;

    public function __construct(private Destination $destination)
    {
    }

    /**
     * @param  array<array-key, mixed>  $body
     * @param  string  $key  the same again is to be taken once
     *
     * @throws \RuntimeException if it was not taken, with what a person should know
     */
    public function post(string $address, array $body, string $key): void
    {
        try {
            $at = Address::read($address);
            $response = Http::timeout(self::TIMEOUT_SECONDS)
                ->connectTimeout(self::TIMEOUT_SECONDS)
                ->withUserAgent('Linnet')
                ->withOptions($this->destination->pinned($at))
                ->withHeaders(['Idempotency-Key' => $key])
                ->asJson()
                ->post($at->url, $body);
        } catch (Unfit $e) {
            throw new \RuntimeException(Sentence::of($e->reason), previous: $e);
        } catch (ConnectionException $e) {
            throw new \RuntimeException('it gave no answer', previous: $e);
        }
        if (! $response->successful()) {
            throw new \RuntimeException("it answered with HTTP {$response->status()}");
        }
    }
}
