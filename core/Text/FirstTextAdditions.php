<?php

declare(strict_types=1);

namespace Linnet\Core\Text;

/** What Linnet adds to the first automatic text on a line to a person: who writes, and how to stop. */
final class FirstTextAdditions
{
    /** @param  string  $stopLine e.g. "Reply STOP to hear no more." */
    public static function around(string $body, string $business, string $stopLine): string
    {
        $named = mb_stripos($body, $business, 0, 'UTF-8') !== false;
        $stops = $stopLine === '' || preg_match('/\bSTOP\b/u', $body) === 1;
        $space = preg_match('/\s$/u', $body) === 1 ? '' : ' ';

        return ($named ? '' : "$business: ").$body.($stops ? '' : $space.$stopLine);
    }
}
