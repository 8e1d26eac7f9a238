<?php

declare(strict_types=1);

namespace Linnet\Core\Rule;

use Linnet\Core\Money;
use Linnet\Core\Time\Day;

/** When two values count as the same: numbers by worth, texts without regard to case and outer spaces. */
final class Same
{
    public static function as(mixed $value, mixed $other): bool
    {
        [$value, $other] = [self::plain($value), self::plain($other)];
        if (is_bool($value) || is_bool($other)) {
            return $value === $other;
        }
        if (is_numeric($value) && is_numeric($other)) {
            return (float) $value === (float) $other;
        }

        return is_scalar($value) && is_scalar($other) && self::fold((string) $value) === self::fold((string) $other);
    }

    public static function fold(string $text): string
    {
        return mb_strtolower(trim($text), 'UTF-8');
    }

    private static function plain(mixed $value): mixed
    {
        return match (true) {
            $value instanceof Money => $value->amount,
            $value instanceof Day => $value->date,
            default => $value,
        };
    }
}
