<?php

declare(strict_types=1);

namespace Demo;

use App\Carrier\Answer;
use App\Carrier\Carrier;

/** A carrier for days that are lived through in seconds: takes and refuses as the stand-in does, and keeps what it took. */
final class InstantCarrier implements Carrier
{
    /** @var list<array{key: string, ref: string, from: string, to: string, text: string, arrives: bool, name: string}> */
    private array $taken = [];

    public function handOver(array $messages): array
    {
        $answers = [];
        foreach ($messages as $message) {
            $handset = People::of((string) $message->number)['handset'] ?? 'mobile';
            if ($handset === 'landline') {
                $answers[$message->id] = Answer::refused('a landline takes no texts');

                continue;
            }
            $key = (string) $message->key;
            $ref = 'C'.strtoupper(substr(hash('xxh128', $message->name), 0, 10));
            $this->taken[] = [
                'key' => $key, 'ref' => $ref, 'from' => $message->line->number ?? $message->line->name, 'to' => (string) $message->number,
                'text' => $message->body, 'arrives' => $handset === 'mobile', 'name' => $message->name,
            ];
            $answers[$message->id] = Answer::accepted($ref);
        }

        return $answers;
    }

    /**
     * @return list<array{key: string, ref: string, from: string, to: string, text: string, arrives: bool, name: string}> what it took
     * since it was asked last
     */
    public function took(): array
    {
        [$taken, $this->taken] = [$this->taken, []];

        return $taken;
    }
}
