<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

/** Reads a number as people and systems write it: with currency signs, thousands apart, a decimal point or comma. */
final class WrittenNumber
{
    /** @param  string  $decimal  what stands before the decimals: "." or "," */
    public static function parse(string $written, string $decimal): ?float
    {
        $text = preg_replace('/[\s\x{00A0}\x{202F}\'’_]+/u', '', $written) ?? '';
        if (
            preg_match(
                '/^([-+−(]?)(?:\p{Sc}|[A-Za-z]{3})?([-+−]?)([\d.,]+(?:[eE][-+]?\d{1,3})?)\)?(?:\p{Sc}|[A-Za-z]{3}|%)?$/u',
                $text,
                $part,
            ) !== 1
        ) {
            return null;
        }
        $digits = $part[3];
        $thousands = $decimal === ',' ? '.' : ',';
        if (substr_count($digits, $decimal) > 1 || preg_match('/\\'.$thousands.'(?!\d{3}(\D|$))/', $digits) === 1) {
            return null;
        }
        $plain = str_replace([$thousands, $decimal], ['', '.'], $digits);
        if (! is_numeric($plain) || ! is_finite((float) $plain)) {
            return null;
        }

        return in_array($part[1], ['-', '−', '('], true) || in_array($part[2], ['-', '−'], true) ? -(float) $plain : (float) $plain;
    }
}
