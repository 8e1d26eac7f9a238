<?php

declare(strict_types=1);

namespace App\Merging;

use App\Models\Number;
use App\Models\Person;
use Illuminate\Database\Eloquent\Builder;

/** Who else somebody may be: by like numbers, mail addresses and names. */
final class Likeness
{
    private const FOUND = 10;

    /** @return list<array{person: Person, why: string}> but for those that were told apart from them */
    public static function of(Person $person): array
    {
        $why = [];
        if ((string) $person->email !== '') {
            $why[] = self::found(Person::query()->whereKeyNot($person->id), Alike::Email, [$person->email]);
        }
        foreach ($person->numbers as $number) {
            $others = Number::query()->where('person_id', '!=', $person->id);
            $why[] = self::found($others, Alike::Number, [substr($number->e164, -Alike::DIGITS)]);
        }
        if ((string) $person->last_name !== '') {
            $named = [$person->last_name, (string) $person->first_name];
            $why[] = self::found(Person::query()->whereKeyNot($person->id), Alike::Name, $named);
        }
        $together = [];
        foreach (array_merge(...$why) as [$id, $alike]) {
            $together[$id][$alike->value] = $alike->word();
        }
        $together = array_diff_key($together, array_flip(Doubles::toldApartFrom($person)));
        uasort($together, fn (array $a, array $b): int => count($b) <=> count($a));
        $together = array_slice($together, 0, self::FOUND, true);
        $people = Person::query()->with('number')->whereKey(array_keys($together))->get()->keyBy('id');

        return array_map(fn (int $id, array $reasons): array => [
            'person' => $people[$id] ?? throw new \LogicException('it was just found'), 'why' => implode(', ', $reasons),
        ], array_keys($together), $together);
    }

    /**
     * @param  Builder<Person>|Builder<Number>  $others
     * @param  list<string|null>  $is
     * @return list<array{int, Alike}>
     */
    private static function found(Builder $others, Alike $by, array $is): array
    {
        foreach ($by->keys() as $i => $key) {
            $others->whereRaw("$key = ".($by === Alike::Number ? '?' : 'lower(?)'), [$is[$i]]);
        }
        $ids = $others->limit(self::FOUND)->pluck($by === Alike::Number ? 'person_id' : 'id');

        return array_values($ids->map(fn (mixed $id): array => [(int) $id, $by])->all());
    }
}
