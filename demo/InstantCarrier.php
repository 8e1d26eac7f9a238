<?php

declare(strict_types=1);

namespace Demo;

use App\Carrier\Answer;
use App\Carrier\Carrier;
use App\Carrier\Handover;
use Illuminate\Support\Facades\DB;

/** A carrier for days that are lived through in seconds: takes and refuses as the stand-in does, and keeps what it took. */
final class InstantCarrier implements Carrier
{
    /** @var list<array{key: string, ref: string, from: string, to: string, text: string, arrives: bool, name: string}> */
    private array $taken = [];

    public function takesKeys(): bool
    {
        return true;
    }

    public function describe(Handover $text): string
    {
        return '';
    }

    public function handOver(array $texts): array
    {
        // What a text is called is the same in every life; its key is not.
        $keys = array_map(fn (Handover $text): string => $text->key, $texts);
        $names = DB::table('messages')->whereIn('key', $keys)->pluck('name', 'key');
        $answers = [];
        foreach ($texts as $text) {
            $handset = People::of($text->receiver)['handset'] ?? 'mobile';
            if ($handset === 'landline') {
                $answers[$text->key] = Answer::refused('a landline takes no texts');

                continue;
            }
            $name = (string) ($names[$text->key] ?? $text->key);
            $ref = 'C'.strtoupper(substr(hash('xxh128', $name), 0, 10));
            $this->taken[] = [
                'key' => $text->key, 'ref' => $ref, 'from' => $text->sender, 'to' => $text->receiver, 'text' => $text->words,
                'arrives' => $handset === 'mobile', 'name' => $name,
            ];
            $answers[$text->key] = Answer::accepted($ref);
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
