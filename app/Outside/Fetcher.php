<?php

declare(strict_types=1);

namespace App\Outside;

use GuzzleHttp\Psr7\DroppingStream;
use GuzzleHttp\Psr7\Utils;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\RequestException;
use Illuminate\Support\Facades\Http;
use Throwable;

/**
 * Fetches a file from an address that somebody else has chosen. Every address on the way, redirects included, is looked up first and
 * gone to only where all of its answers lie on the open internet; the connection is made to just the address that was looked at.
 */
final readonly class Fetcher
{
    private const REDIRECTS = 4;

    public function __construct(private Destination $destination, private int $maxBytes, private int $timeoutSeconds)
    {
    }

    /** @throws Unfit */
    public function fetch(string $address, string $into): void
    {
        $at = Address::read($address);
        for ($hops = 0; $hops <= self::REDIRECTS; $hops++) {
            $next = $this->hop($at, $into);
            if ($next === null) {
                return;
            }
            $at = $next;
        }

        throw Unfit::because('redirects', ['most' => self::REDIRECTS]);
    }

    /** @return Address|null where it leads on to; null where the file is there */
    private function hop(Address $at, string $into): ?Address
    {
        $options = $this->destination->pinned($at);
        $file = new DroppingStream(Utils::streamFor(Utils::tryFopen($into, 'w')), $this->maxBytes);
        // What no longer fits is not taken, at which the transfer breaks off.
        $options['curl'][CURLOPT_WRITEFUNCTION] = static fn ($curl, string $bytes): int => $file->write($bytes);
        try {
            $response = Http::timeout($this->timeoutSeconds)->connectTimeout(10)->withUserAgent('Linnet')->withOptions([
                ...$options,
                // Unpacked here, a small answer could fill the disk before its size is looked at.
                'decode_content' => false,
                'headers' => ['Accept-Encoding' => 'identity'],
            ])->get($at->url);
        } catch (ConnectionException|RequestException $e) {
            throw $file->tell() === $this->maxBytes && self::curlError($e) === CURLE_WRITE_ERROR
                ? $this->tooLarge()
                : Unfit::because('no_answer', ['detail' => self::silence(self::curlError($e))]);
        }
        if ($response->redirect() && $response->header('Location') !== '') {
            return $at->leadsTo($response->header('Location'));
        }
        if (! $response->successful()) {
            throw Unfit::because('status', ['status' => $response->status()]);
        }
        // Empty, but where the answer came by another way than a transfer.
        $body = $response->body();
        if ($file->write($body) < strlen($body)) {
            throw $this->tooLarge();
        }
        $file->close();
        clearstatcache(true, $into);

        return null;
    }

    private function tooLarge(): Unfit
    {
        return Unfit::because('too_large', ['megabytes' => intdiv($this->maxBytes, 1_048_576)]);
    }

    private static function curlError(Throwable $e): int
    {
        return preg_match('/cURL error (\d+)/', $e->getMessage(), $found) === 1 ? (int) $found[1] : CURLE_OK;
    }

    /** What befell a connection, by the numbers of curl.se/libcurl/c/libcurl-errors.html. */
    private static function silence(int $curlError): string
    {
        return match ($curlError) {
            6 => 'nothing has that name',
            7 => 'the connection was refused',
            28 => 'it took too long',
            35, 51, 58, 60, 77, 83 => 'its certificate cannot be trusted',
            default => 'the connection broke off',
        };
    }
}
