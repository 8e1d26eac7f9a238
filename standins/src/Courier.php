<?php

declare(strict_types=1);

namespace Standins;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;

/** Brings what the stand-ins have to say to Linnet, by HTTP, again until it is taken. */
final readonly class Courier
{
    private const TRIES = 20;

    public function __construct(private string $linnet)
    {
    }

    /** @param  float  $delay real seconds */
    public static function send(string $path, string $secret, string $body, float $delay = 0.0): void
    {
        DB::table('errands')->insert(['path' => $path, 'secret' => $secret, 'body' => $body, 'due' => microtime(true) + $delay]);
    }

    /**
     * @param  bool  $hurry  do not wait for what is due later
     * @return int how many errands were run
     */
    public function round(bool $hurry = false): int
    {
        $errands = DB::table('errands')->where('done', false)->when(! $hurry, fn ($query) => $query->where('due', '<=', microtime(true)))
            ->orderBy('due')->orderBy('id')->limit(200)->get();
        foreach ($errands as $errand) {
            // Claimed first: the courier's loop and a page in a hurry must not both bring it.
            $mine = DB::table('errands')->where('id', $errand->id)->where('done', false)->where('tries', $errand->tries)
                ->update(['tries' => $errand->tries + 1, 'due' => microtime(true) + 15]);
            if ($mine === 1) {
                $done = $this->run((string) $errand->path, (string) $errand->secret, (string) $errand->body) || $errand->tries + 1 >= self::TRIES;
                DB::table('errands')->where('id', $errand->id)->update(['done' => $done, 'due' => microtime(true) + 0.5]);
            }
        }

        return count($errands);
    }

    private function run(string $path, string $secret, string $body): bool
    {
        try {
            $status = Http::withToken($secret)->timeout(10)->withBody($body)->post($this->linnet.$path)->status();
        } catch (ConnectionException) {
            return false;
        }

        // What Linnet has refused for good is not offered again.
        return $status < 500 && $status !== 429;
    }
}
