<?php

declare(strict_types=1);

namespace App\Merging;

use App\Models\Person;
use Illuminate\Database\Query\Builder;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** Entries that may be of one person, two for each that is alike. Two that were told apart stand there no more. */
final class Doubles
{
    private const ON_A_PAGE = 30;

    /** @return Paginator<int, array{one: Person, other: Person, many: int}> the oldest entry and the newest of so many */
    public static function by(Alike $by, int $page): Paginator
    {
        [$table, $person] = $by === Alike::Number ? ['numbers', 'person_id'] : ['people', 'id'];
        $keys = $by->keys();
        $groups = DB::table($table)
            ->selectRaw("min($person) as one, max($person) as other, count(*) as many")
            ->whereRaw("{$keys[0]} <> ''")
            ->groupByRaw(implode(', ', $keys))
            ->havingRaw("min($person) <> max($person)")
            ->orderByRaw(implode(', ', $keys));
        $told = fn (Builder $apart): Builder => $apart->from('told_apart')->whereColumn('one_id', 'one')->whereColumn('other_id', 'other');
        // In the order of the index, which is read no further than the page goes: put in order outside, all of it would be.
        $rows = DB::query()->fromSub($groups, 'alike')
            ->where(fn (Builder $query) => $query->where('many', '>', 2)->orWhereNotExists($told))
            ->offset(($page - 1) * self::ON_A_PAGE)
            ->limit(self::ON_A_PAGE + 1)
            ->get();

        return new Paginator(self::people($rows), self::ON_A_PAGE, $page);
    }

    /** Nobody is asked about these two again. */
    public static function tellApart(Person $one, Person $other): void
    {
        DB::table('told_apart')->insertOrIgnore(['one_id' => min($one->id, $other->id), 'other_id' => max($one->id, $other->id)]);
    }

    /** @return list<int> ids of those who were */
    public static function toldApartFrom(Person $person): array
    {
        $apart = DB::table('told_apart')->where('one_id', $person->id)->orWhere('other_id', $person->id)->get();

        $other = fn (\stdClass $two): int => (int) ($two->one_id === $person->id ? $two->other_id : $two->one_id);

        return array_values($apart->map($other)->all());
    }

    /**
     * @param  Collection<int, \stdClass>  $rows
     * @return list<array{one: Person, other: Person, many: int}>
     */
    private static function people(Collection $rows): array
    {
        $people = Person::query()->with('number')->whereKey([...$rows->pluck('one'), ...$rows->pluck('other')])->get()->keyBy('id');

        return array_values($rows->map(fn (\stdClass $row): array => [
            'one' => $people[$row->one] ?? throw new \LogicException('it was just found'),
            'other' => $people[$row->other] ?? throw new \LogicException('it was just found'),
            'many' => (int) $row->many,
        ])->all());
    }
}
