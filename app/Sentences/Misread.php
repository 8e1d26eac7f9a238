<?php

declare(strict_types=1);

namespace App\Sentences;

use Linnet\Core\Prose\ProseError;
use Linnet\Core\Reason;

/** What could not be understood of a rule's sentences or words, said with its place. */
final class Misread
{
    /** So many are said at once. */
    private const MOST = 12;

    /** Of a text's words, at its character if it has one. */
    public static function ofWords(Reason $reason): string
    {
        $at = $reason->with['at'] ?? null;

        return (is_int($at) ? 'At character '.($at + 1).': ' : '').Sentence::of($reason);
    }

    /**
     * @param  list<ProseError>  $errors
     * @return list<string>
     */
    public static function says(array $errors): array
    {
        return array_map(
            fn (ProseError $error): string => "Line $error->line, character $error->column: ".Sentence::of($error->reason),
            array_slice($errors, 0, self::MOST),
        );
    }
}
