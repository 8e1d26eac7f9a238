<?php

declare(strict_types=1);

namespace App\Records;

use Illuminate\Validation\ValidationException;

/** A noun for the sentences of rules: words and nothing else, without an article. */
final class Noun
{
    /**
     * @param  string  $place  where the error stands
     * @return string|null null for none
     *
     * @throws ValidationException
     */
    public static function of(?string $written, string $place): ?string
    {
        $noun = trim(preg_replace('/^(the|a|an|its|their)\s+/iu', '', trim($written ?? '')) ?? '');
        if ($noun !== '' && preg_match('/^[\p{L}\p{N}][\p{L}\p{N}\'’ -]*$/Du', $noun) !== 1) {
            throw ValidationException::withMessages([$place => 'Use letters, digits and spaces only: “start”, “number of people”.']);
        }

        return $noun === '' ? null : $noun;
    }
}
