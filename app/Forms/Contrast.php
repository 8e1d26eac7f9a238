<?php

declare(strict_types=1);

namespace App\Forms;

/** How well white letters are read on a colour. Source: WCAG 2.2, contrast ratio and relative luminance. */
final class Contrast
{
    /** For letters of a text's size, at level AA. */
    public const ENOUGH = 4.5;

    /** @param  string  $colour  #RRGGBB */
    public static function withWhite(string $colour): float
    {
        $parts = array_map(function (string $hex): float {
            $part = hexdec($hex) / 255;

            return $part <= 0.04045 ? $part / 12.92 : (($part + 0.055) / 1.055) ** 2.4;
        }, str_split(ltrim($colour, '#'), 2));

        return 1.05 / (0.2126 * $parts[0] + 0.7152 * ($parts[1] ?? 0) + 0.0722 * ($parts[2] ?? 0) + 0.05);
    }
}
