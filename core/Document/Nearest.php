<?php

declare(strict_types=1);

namespace Linnet\Core\Document;

/** Guesses the name that was meant. */
final class Nearest
{
    /** @param  iterable<string>  $names */
    public static function to(string $written, iterable $names): ?string
    {
        $best = null;
        $least = max(2, intdiv(strlen($written), 3)) + 1;
        foreach ($names as $name) {
            $distance = levenshtein(strtolower($written), strtolower($name));
            if ($distance < $least) {
                [$best, $least] = [$name, $distance];
            }
        }

        return $best;
    }
}
