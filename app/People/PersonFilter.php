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
        $people = Person::query()->named($words);
        $ids = $people->clone()->toBase()->limit(self::FEW + 1)->pluck('id')->all();
        count($ids) > self::FEW
            ? $query->whereIn('person_id', $people->select('id'))
            : $query->whereIntegerInRaw('person_id', $ids);
    }
}
