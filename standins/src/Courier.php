<?php

declare(strict_types=1);

namespace Standins;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Str;
use StandardWebhooks\Webhook;

/** Brings what the stand-ins have to say to Linnet, by HTTP, again until it is taken. */
final readonly class Courier
{
    private const TRIES = 20;

    public function __construct(private string $linnet)
    {
    }

    /**
     * @param  float  $delay  real seconds
     * @param  array<string, string>  $headers
     */
    public static function send(
        string $path,
        string $secret,
        string $body,
        float $delay = 0.0,
        array $headers = [],
        bool $signed = false,
        How $how = How::AsUsual,
    ): void {
        $body = $how === How::Broken ? substr($body, 0, (int) (strlen($body) * 0.7)) : $body;
        $secret = $how === How::WrongSecret ? 'yesterdays-secret' : $secret;
        $delay += $how === How::Late ? 10.0 : 0.0;
        $id = 'msg_'.Str::lower(Str::random(20));
        DB::transaction(function () use ($path, $secret, $body, $delay, $headers, $signed, $how, $id): void {
            foreach ($how === How::Twice ? [0, 1] : [0] as $ignored) {
                DB::table('errands')->insert([
                    'path' => $path, 'secret' => $secret, 'body' => $body, 'due' => microtime(true) + $delay, 'signed' => $signed,
                    'held' => $how === How::OutOfOrder,
                    'headers' => json_encode($headers + ($signed ? ['webhook-id' => $id] : []), JSON_THROW_ON_ERROR),
                ]);
            }
            if ($how !== How::OutOfOrder) {
                // What was kept back goes after this one.
                DB::table('errands')
                    ->where('path', $path)
                    ->where('held', true)
                    ->update(['held' => false, 'due' => microtime(true) + $delay + 0.3]);
            }
        });
    }

    /**
     * @param  bool  $hurry  do not wait for what is due later
     * @return int how many errands were run
     */
    public function round(bool $hurry = false): int
    {
        $errands = DB::table('errands')
            ->where('done', false)
            ->where('held', false)
            ->when(! $hurry, fn ($query) => $query->where('due', '<=', microtime(true)))
            ->orderBy('due')
            ->orderBy('id')
            ->limit(200)
            ->get();
        foreach ($errands as $errand) {
            // Claimed first: the courier's loop and a page in a hurry must not both bring it.
            $mine = DB::table('errands')->where('id', $errand->id)->where('done', false)->where('tries', $errand->tries)
                ->update(['tries' => $errand->tries + 1, 'due' => microtime(true) + 15]);
            if ($mine === 1) {
                $done = $this->run((array) $errand) || $errand->tries + 1 >= self::TRIES;
                DB::table('errands')->where('id', $errand->id)->update(['done' => $done, 'due' => microtime(true) + 0.5]);
            }
        }

        return count($errands);
    }

    /** @param  array<array-key, mixed>  $errand */
    private function run(array $errand): bool
    {
        $headers = (array) json_decode((string) ($errand['headers'] ?? '{}'), true);
        $body = (string) $errand['body'];
        try {
            $request = Http::timeout(10)->withBody($body, $headers['content-type'] ?? 'application/json');
            if ($errand['signed']) {
                $secret = (string) $errand['secret'];
                $time = time();
                $webhook = str_starts_with($secret, 'whsec_') ? new Webhook($secret) : Webhook::fromRaw($secret);
                $headers += [
                    'webhook-timestamp' => (string) $time,
                    'webhook-signature' => $webhook->sign($headers['webhook-id'], $time, $body),
                ];
            } else {
                $request = $request->withToken((string) $errand['secret']);
            }
            $status = $request->withHeaders($headers)->post($this->linnet.$errand['path'])->status();
        } catch (ConnectionException) {
            return false;
        }

        // What Linnet has refused for good is not offered again.
        return $status < 500 && $status !== 429;
    }
}
