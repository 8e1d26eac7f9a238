<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

/** Which line somebody writes from by hand, where they do not say. */
final readonly class LineChoice
{
    /**
     * The one their conversation is locked to; else the one last used with them; else the first that can be answered. One that is off, or
     * does not send to their country, is passed over, unless they are locked to it.
     *
     * @param  list<Line>  $lines  in their order
     * @param  string|null  $locked  key of the line they are locked to
     * @param  string|null  $last  key of the line last used with them
     * @param  string  $country  ISO 3166-1 alpha-2 of the number
     */
    public static function byHand(array $lines, ?string $locked, ?string $last, string $country): ?Line
    {
        $usable = array_filter($lines, fn (Line $line): bool => $line->power === ActivationState::On && $line->sendsTo($country));
        $twoWay = array_filter($usable, fn (Line $line): bool => ! $line->isOneWay());

        return self::named($lines, $locked) ?? self::named($usable, $last) ?? array_values($twoWay)[0] ?? array_values($usable)[0] ?? null;
    }

    /** @param  array<array-key, Line>  $lines */
    private static function named(array $lines, ?string $key): ?Line
    {
        foreach ($lines as $line) {
            if ($line->key === $key) {
                return $line;
            }
        }

        return null;
    }
}
