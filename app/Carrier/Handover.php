<?php

declare(strict_types=1);

namespace App\Carrier;

use App\Models\Message;

/** A text as a carrier is told of it. */
final readonly class Handover
{
    /**
     * @param  string  $key  its own, the same whenever it is handed over again
     * @param  string  $sender  a number (E.164), or a name
     * @param  string  $receiver  E.164
     * @param  string|null  $picture  the address it can be fetched at
     */
    public function __construct(
        public string $key,
        public string $sender,
        public string $receiver,
        public string $words,
        public ?string $picture = null,
    ) {
    }

    public static function of(Message $message): self
    {
        return new self(
            (string) $message->key, $message->line->number ?? $message->line->name, (string) $message->number, $message->body,
            $message->picture,
        );
    }
}
