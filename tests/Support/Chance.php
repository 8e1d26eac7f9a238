<?php

declare(strict_types=1);

namespace Tests\Support;

/** Draws from the generator that a seed was given to. */
final class Chance
{
    /**
     * @template T
     *
     * @param  array<array-key, T>  $of
     * @return T
     */
    public static function one(array $of): mixed
    {
        return array_values($of)[mt_rand(0, count($of) - 1)];
    }

    public static function is(int $percent): bool
    {
        return mt_rand(1, 100) <= $percent;
    }
}
