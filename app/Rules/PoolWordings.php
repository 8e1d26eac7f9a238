<?php

declare(strict_types=1);

namespace App\Rules;

use App\Sentences\Sentence;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Text\Wording\Wording;
use Linnet\Core\Text\Wording\Wordings;

/** The wordings of a pool as they are changed one by one. */
final class PoolWordings
{
    /** The same words keep their name, and so what was counted for them. */
    public static function id(string $words): string
    {
        return 'w'.substr(hash('xxh64', trim($words)), 0, 10);
    }

    /**
     * @param  list<array<string, mixed>>  $wordings
     * @param  int  $at  the one that was changed
     * @return list<array<string, mixed>> as the pool keeps them
     *
     * @throws ValidationException
     */
    public static function checked(array $wordings, int $at): array
    {
        try {
            $read = Wordings::list(Doc::of(['wordings' => $wordings]), 'wordings');

            return array_map(fn (Wording $one): array => $one->toDocument(), $read);
        } catch (Unreadable $e) {
            throw ValidationException::withMessages([
                'text' => array_map(fn ($problem): string => Sentence::of($problem->reason), $e->problems),
                'at' => (string) $at,
            ]);
        }
    }
}
