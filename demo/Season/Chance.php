<?php

declare(strict_types=1);

namespace Demo\Season;

/** Choices that look like chance and are the same every time: each follows from what it is about. */
final class Chance
{
    /** @return int 0 to $of - 1 */
    public static function below(int $of, string|int ...$about): int
    {
        return crc32(implode('/', $about)) % $of;
    }

    public static function percent(int $percent, string|int ...$about): bool
    {
        return self::below(100, 'percent', ...$about) < $percent;
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $from
     * @return T
     */
    public static function of(array $from, string|int ...$about): mixed
    {
        return $from[self::below(count($from), ...$about)];
    }
}
