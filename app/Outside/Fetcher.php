<?php

declare(strict_types=1);

namespace App\Outside;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\RequestException;
use Illuminate\Support\Facades\Http;

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
        $pinned = $this->destination->pinned($at);
        try {
            $response = Http::timeout($this->timeoutSeconds)->connectTimeout(10)->withUserAgent('Linnet')->withOptions([
                ...$pinned,
                'sink' => $into,
                // Unpacked here, a small answer could fill the disk before its size is looked at.
                'decode_content' => false,
                'headers' => ['Accept-Encoding' => 'identity'],
                'progress' => function (int|float $total, int|float $got): void {
                    if ($got > $this->maxBytes) {
                        throw Unfit::because('too_large', ['megabytes' => intdiv($this->maxBytes, 1_048_576)]);
                    }
                },
            ])->get($at->url);
        } catch (ConnectionException|RequestException $e) {
            $cause = $e;
            while ($cause !== null && ! $cause instanceof Unfit) {
                $cause = $cause->getPrevious();
            }
            throw $cause ?? Unfit::because('no_answer', ['detail' => self::silence($e->getMessage())]);
        }
        if ($response->redirect() && $response->header('Location') !== '') {
            return $at->leadsTo($response->header('Location'));
        }
        if (! $response->successful()) {
            throw Unfit::because('status', ['status' => $response->status()]);
        }
        if (filesize($into) === 0) {
            file_put_contents($into, $response->body());
        }
        clearstatcache(true, $into);
        if (filesize($into) > $this->maxBytes) {
            throw Unfit::because('too_large', ['megabytes' => intdiv($this->maxBytes, 1_048_576)]);
        }

        return null;
    }

    /** What befell a connection, by the numbers of curl.se/libcurl/c/libcurl-errors.html. */
    private static function silence(string $message): string
    {
        return match (preg_match('/cURL error (\d+)/', $message, $found) === 1 ? (int) $found[1] : 0) {
            6 => 'nothing has that name',
            7 => 'the connection was refused',
            28 => 'it took too long',
            35, 51, 58, 60, 77, 83 => 'its certificate cannot be trusted',
            default => 'the connection broke off',
        };
    }
}
