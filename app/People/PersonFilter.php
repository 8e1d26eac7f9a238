<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Person;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;

/** What belongs to people who are called so, or have such a number. */
final class PersonFilter
{
    /** So many are looked up each by their own index; more than that turn up soon on the way through what is listed. */
    private const FEW = 2000;

    /** @param  Builder<covariant Model>  $query  of things with a person_id */
    public static function only(Builder $query, string $words): void
    {
        self::among($query, self::few($words), $words);
    }

    /** @return list<int>|null who is called so; null where they are many */
    public static function few(string $words): ?array
    {
        $ids = Person::query()->named($words)->toBase()->limit(self::FEW + 1)->pluck('id')->all();

        return count($ids) > self::FEW ? null : array_values(array_map(intval(...), $ids));
    }

    /**
     * As {@see only()}, where they were looked for before.
     *
     * @param  Builder<covariant Model>  $query
     * @param  list<int>|null  $few
     */
    public static function among(Builder $query, ?array $few, string $words): void
    {
        $few === null
            ? $query->whereIn('person_id', Person::query()->named($words)->select('id'))
            : $query->whereIntegerInRaw('person_id', $few);
    }
}
