<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

/** How a list of values becomes one. */
enum Fold: string
{
    case First = 'first';
    case Last = 'last';
    case Count = 'count';
    case Sum = 'sum';
    /** With a comma and a space between. */
    case Joined = 'joined';

    /**
     * @param  list<mixed>  $values
     *
     * @throws Refused if a sum is asked of what is no number
     */
    public function fold(array $values, string $path): mixed
    {
        return match ($this) {
            self::First => $values[0] ?? null,
            self::Last => $values === [] ? null : $values[count($values) - 1],
            self::Count => count($values),
            self::Sum => round(array_sum(array_map(fn (mixed $one): float => self::number($one, $path), $values)), 6),
            self::Joined => implode(', ', array_filter(array_map(
                fn (mixed $one): string => is_scalar($one) && ! is_bool($one) ? trim((string) $one) : '', $values,
            ), fn (string $one): bool => $one !== '')),
        };
    }

    private static function number(mixed $value, string $path): float
    {
        return $value === null ? 0.0 : (WrittenNumber::parse(is_scalar($value) && ! is_bool($value) ? (string) $value : '', '.')
            ?? throw Refused::value('not_a_number', $path, $value));
    }
}
