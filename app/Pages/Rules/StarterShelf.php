<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Rules\Starters;
use Illuminate\Support\Facades\Cache;
use Linnet\Core\Starter\Starter;

/** All starters with what each is for. To read them is to read every sentence of each, so what came of that is kept until one changes. */
final class StarterShelf
{
    /** @return array<string, list<array{key: string, name: string, for: string, says: string}>> by folder */
    public static function all(): array
    {
        /** @var array<string, list<array{key: string, name: string, for: string, says: string}>> $shelf */
        $shelf = Cache::rememberForever('starters/'.Starters::fingerprint(), fn (): array => array_map(
            fn (array $starters): array => array_map(fn (Starter $starter): array => [
                'key' => $starter->key, 'name' => $starter->rule->name, 'for' => $starter->for,
                'says' => Writing::inOneSentence($starter->language, $starter->rule),
            ], $starters),
            Starters::all(),
        ));

        return $shelf;
    }
}
