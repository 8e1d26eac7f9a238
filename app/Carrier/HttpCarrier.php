<?php

declare(strict_types=1);

namespace App\Carrier;

use App\Models\Message;
use Illuminate\Http\Client\Pool;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Http;

/** Hands texts over by HTTP, several at once, each under a key that makes a second handing over the same as the first. */
final readonly class HttpCarrier implements Carrier
{
    public function __construct(private string $url, #[\SensitiveParameter] private string $secret, private int $timeoutSeconds)
    {
    }

    /**
     * @param  list<Message>  $messages  with their lines loaded
     * @return array<int, Answer> by message id
     */
    public function handOver(array $messages): array
    {
        $responses = Http::pool(
            fn (Pool $pool): array => array_map(
                fn (Message $message) => $pool
                    ->as((string) $message->id)
                    ->withToken($this->secret)
                    ->withHeaders(['Idempotency-Key' => (string) $message->key])
                    ->timeout($this->timeoutSeconds)
                    ->connectTimeout($this->timeoutSeconds)
                    ->post(
                        "$this->url/texts",
                        ['from' => $message->line->number ?? $message->line->name, 'to' => $message->number, 'text' => $message->body] +
                            ($message->picture === null ? [] : ['picture' => $message->picture]),
                    ),
                $messages,
            ),
        );

        $answers = [];
        foreach ($messages as $message) {
            $answers[$message->id] = $this->read($responses[(string) $message->id] ?? null);
        }

        return $answers;
    }

    private function read(mixed $response): Answer
    {
        if (! $response instanceof Response) {
            return Answer::later('no answer');
        }
        $ref = $response->json('ref');
        $problem = $response->json('problem');

        return match (true) {
            $response->successful() && is_string($ref) => Answer::accepted($ref),
            $response->status() === 422 => Answer::refused(is_string($problem) ? mb_substr($problem, 0, 120, 'UTF-8') : 'no reason given'),
            default => Answer::later("HTTP {$response->status()}"),
        };
    }
}
