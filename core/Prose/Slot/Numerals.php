<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Slot;

/** Numbers as people write them: digits, or words up to twelve. */
final class Numerals
{
    private const WORDS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];

    /** A whole number; null where it is none. */
    public static function whole(string $written): ?int
    {
        $word = array_search($written, self::WORDS, true);
        $digits = str_replace(',', '', $written);

        return match (true) {
            is_int($word) => $word,
            $written === 'a', $written === 'an' => 1,
            ctype_digit($digits) && strlen($digits) < 12 => (int) $digits,
            default => null,
        };
    }

    /** A number with a point in it or none; null where it is none. */
    public static function number(string $written): int|float|null
    {
        $digits = str_replace(',', '', $written);
        if (preg_match('/^-?\d+$/D', $digits) === 1 && strlen($digits) < 18) {
            return (int) $digits;
        }
        if (! is_numeric($digits) || trim($digits) !== $digits) {
            return self::whole($written);
        }

        // "45.00" is 45 pounds; "45.0" is how a number with a point is told from one without.
        return preg_match('/^(-?\d{1,17})\.00$/D', $digits, $part) === 1 ? (int) $part[1] : (float) $digits;
    }

    public static function write(int|float $number): string
    {
        $plain = json_encode($number, JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR);
        if (preg_match('/^(-?)(\d+)((?:\.\d+)?)$/D', $plain, $part) !== 1) {
            return $plain;
        }
        $pence = preg_match('/^\.[1-9]$/D', $part[3]) === 1 ? $part[3].'0' : $part[3];

        return $part[1].strrev(implode(',', str_split(strrev($part[2]), 3))).$pence;
    }
}
