<?php

declare(strict_types=1);

namespace App\Sentences;

use Linnet\Core\Prose\ProseError;

/** What could not be understood of a rule's sentences, said with its place. */
final class Misread
{
    /** So many are said at once. */
    private const MOST = 12;

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
