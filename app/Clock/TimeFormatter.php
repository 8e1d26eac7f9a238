<?php

declare(strict_types=1);

namespace App\Clock;

/** Times as a reader of the application would say them. */
final class TimeFormatter
{
    /** @var array<int, \NumberFormatter> by style */
    private static array $formatters = [];

    /** "Tue 3 March 09:00". */
    public static function momentIn(\DateTimeImmutable $at, string $zone): string
    {
        return $at->setTimezone(new \DateTimeZone($zone))->format('D j F H:i');
    }

    /** "Tue 3 March". */
    public static function dayIn(\DateTimeImmutable $at, string $zone): string
    {
        return $at->setTimezone(new \DateTimeZone($zone))->format('D j F');
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

    /** "40 seconds", "4 minutes", "2 hours", "3 days". */
    public static function lasting(\DateTimeImmutable $from, \DateTimeImmutable $until): string
    {
        $seconds = max(0, $until->getTimestamp() - $from->getTimestamp());

        return match (true) {
            $seconds < 90 => self::count($seconds, 'second', 'seconds'),
            $seconds < 5400 => self::count(intdiv($seconds + 30, 60), 'minute', 'minutes'),
            $seconds < 172_800 => self::count(intdiv($seconds, 3600), 'hour', 'hours'),
            default => self::count(intdiv($seconds, 86_400), 'day', 'days'),
        };
    }

    /** Since when, as it is said today: "10:02", or with its day where that is another. */
    public static function sinceWhen(\DateTimeImmutable $at, \DateTimeImmutable $now, string $zone): string
    {
        $local = $at->setTimezone(new \DateTimeZone($zone));

        return $local->format('Y-m-d') === $now->setTimezone(new \DateTimeZone($zone))->format('Y-m-d')
            ? $local->format('H:i')
            : self::momentIn($at, $zone);
    }

    /** A moment that is over, in a list: "Sat 14:40" within a week, else its day, with its year where that is another. */
    public static function past(\DateTimeImmutable $at, \DateTimeImmutable $now, string $zone): string
    {
        $local = $at->setTimezone(new \DateTimeZone($zone));
        $today = $now->setTimezone(new \DateTimeZone($zone));

        return $local->format(match (true) {
            $local->format('Y-m-d') > $today->modify('-7 days')->format('Y-m-d') => 'D H:i',
            $local->format('Y') === $today->format('Y') => 'j M',
            default => 'j M Y',
        });
    }

    /** A count with its noun, small ones in words: "four people", "one text", "143 texts". */
    public static function count(int $many, string $one, string $more): string
    {
        $word = match (true) {
            $many === 0 => 'no',
            $many <= 10 => (string) self::formatter(\NumberFormatter::SPELLOUT)->format($many),
            default => (string) $many,
        };

        return $word.' '.($many === 1 ? $one : $more);
    }

    /** "820 bytes", "12 kB", "3.4 MB". */
    public static function bytes(int $bytes): string
    {
        return match (true) {
            $bytes < 1000 => "$bytes bytes",
            $bytes < 1_000_000 => intdiv($bytes, 1000).' kB',
            default => number_format($bytes / 1_000_000, $bytes < 10_000_000 ? 1 : 0).' MB',
        };
    }

    /** "1,200", "2.5". */
    public static function number(float $number): string
    {
        return (string) self::formatter(\NumberFormatter::DECIMAL)->format($number);
    }

    /** A sum in whole units of the currency: "£12.50", "£1,200". */
    public static function money(float $amount, string $currency): string
    {
        $formatter = self::formatter(\NumberFormatter::CURRENCY);
        $formatter->setAttribute(\NumberFormatter::MIN_FRACTION_DIGITS, floor($amount) === $amount ? 0 : 2);

        return (string) $formatter->formatCurrency($amount, $currency);
    }

    /** A price in millionths of the currency's unit: "3.2p", "£12.40". */
    public static function price(int $micros, string $currency): string
    {
        if ($currency === 'GBP' && $micros < 1_000_000) {
            return rtrim(rtrim(number_format($micros / 10_000, 2), '0'), '.').'p';
        }

        $formatter = self::formatter(\NumberFormatter::CURRENCY);
        $formatter->setAttribute(\NumberFormatter::MIN_FRACTION_DIGITS, 2);

        return (string) $formatter->formatCurrency($micros / 1e6, $currency);
    }

    /** Kept: to make one takes longer than to lay out a row of a table. */
    private static function formatter(int $style): \NumberFormatter
    {
        return self::$formatters[$style] ??= new \NumberFormatter('en_GB', $style);
    }
}
