<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Words;

/** What somebody texted, made comparable. */
final class Folded
{
    /** A slip of the finger is forgiven in words of so many letters or more. */
    private const LONG_ENOUGH = 5;

    private static ?\Transliterator $toLatin = null;

    /** NFKC, case folded, punctuation and emoji trimmed at the edges, spaces folded (Unicode Standard Annex 15; Unicode, section 3.13). */
    public static function of(string $text): string
    {
        $text = normalizer_normalize($text, \Normalizer::FORM_KC) ?: $text;
        $text = preg_replace('/[\s\p{Z}\p{Cf}]+/u', ' ', str_replace(['’', '‘'], "'", $text)) ?? $text;
        $text = preg_replace('/^[^\p{L}\p{N}]+|[^\p{L}\p{N}]+$/u', '', $text) ?? $text;

        return mb_convert_case($text, MB_CASE_FOLD, 'UTF-8');
    }

    /** Folded, accents off, other scripts by their sound, what cannot be seen left out (Unicode CLDR, transforms). */
    public static function latin(string $text): string
    {
        $seen = preg_replace('/\p{Cf}+/u', '', $text) ?? $text;
        // To make one costs more than all that it is used for.
        $latin = (self::$toLatin ??= \Transliterator::create('Any-Latin; Latin-ASCII; Lower'))?->transliterate($seen);

        return self::of(is_string($latin) ? $latin : $seen);
    }

    /**
     * As plain as letters go: in Latin, spaces left out, a digit within a word as the letter it looks like, a word said over and over said
     * once. For words that must never be missed: "S T O P", "stóp", "st0p", "stop stop", "stop all" for "stopall".
     */
    public static function plainly(string $text): string
    {
        $words = array_values(array_filter(preg_split('/[^a-z0-9$]+/', self::latin($text)) ?: [], fn (string $word): bool => $word !== ''));
        $words = array_map(
            fn (string $word): string => preg_match('/[a-z]/', $word) === 1
                ? strtr($word, ['0' => 'o', '$' => 's', '5' => 's', '1' => 'i'])
                : $word,
            $words,
        );

        return count(array_unique($words)) === 1 && strlen($words[0]) > 1 ? $words[0] : implode('', $words);
    }

    /** Whether two folded words are one, or one slip apart: a letter more, less, another, or two changed about. */
    public static function same(string $one, string $other, bool $forgiving): bool
    {
        return $one === $other || ($forgiving && self::oneSlipApart($one, $other));
    }

    private static function oneSlipApart(string $one, string $other): bool
    {
        $a = mb_str_split($one, 1, 'UTF-8');
        $b = mb_str_split($other, 1, 'UTF-8');
        if (count($a) > count($b)) {
            [$a, $b] = [$b, $a];
        }
        if (count($a) < self::LONG_ENOUGH - 1 || count($b) < self::LONG_ENOUGH || count($b) - count($a) > 1) {
            return false;
        }
        for ($i = 0; $i < count($a) && $a[$i] === $b[$i]; $i++);
        $restA = array_slice($a, $i);
        $restB = array_slice($b, $i);

        return count($a) < count($b)
            ? $restA === array_slice($restB, 1)
            : array_slice($restA, 1) === array_slice($restB, 1) ||
                    ([$restA[0] ?? null, $restA[1] ?? null] === [$restB[1] ?? null, $restB[0] ?? null] &&
                        array_slice($restA, 2) === array_slice($restB, 2));
    }
}
