<?php

declare(strict_types=1);

namespace App\Clock;

/** Times as a reader of the application would say them. */
final class Said
{
    /** "Tue 3 March 09:00". */
    public static function momentIn(\DateTimeImmutable $at, string $zone): string
    {
        return $at->setTimezone(new \DateTimeZone($zone))->format('D j F H:i');
    }

    /** The town a zone is named after. */
    public static function place(string $zone): string
    {
        $parts = explode('/', $zone);

        return str_replace('_', ' ', end($parts));
    }

    /** "4 min", "2 h", "3 days": how long something has been waiting. */
    public static function since(\DateTimeImmutable $from, \DateTimeImmutable $now): string
    {
        $minutes = max(0, intdiv($now->getTimestamp() - $from->getTimestamp(), 60));

        return match (true) {
            $minutes < 1 => 'just now',
            $minutes < 60 => "$minutes min",
            $minutes < 48 * 60 => intdiv($minutes, 60).' h',
            default => intdiv($minutes, 1440).' days',
        };
    }

    /** A count with its noun, small ones in words: "four people", "one text", "143 texts". */
    public static function count(int $many, string $one, string $more): string
    {
        $word = match (true) {
            $many === 0 => 'no',
            $many <= 10 => (string) (new \NumberFormatter('en_GB', \NumberFormatter::SPELLOUT))->format($many),
            default => (string) $many,
        };

        return $word.' '.($many === 1 ? $one : $more);
    }

    /** A price in millionths of the currency's unit: "3.2p", "£12.40". */
    public static function price(int $micros, string $currency): string
    {
        if ($currency === 'GBP' && $micros < 1_000_000) {
            return rtrim(rtrim(number_format($micros / 10_000, 2), '0'), '.').'p';
        }

        return (string) (new \NumberFormatter('en_GB', \NumberFormatter::CURRENCY))->formatCurrency($micros / 1e6, $currency);
    }
}
