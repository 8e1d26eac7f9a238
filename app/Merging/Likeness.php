<?php

declare(strict_types=1);

namespace App\Merging;

use App\Models\Number;
use App\Models\Person;

/** Who else somebody may be: by like numbers, mail addresses and names. */
final class Likeness
{
    private const FOUND = 10;

    /** Numbers that end alike in so many digits may be one, written with another country's code. */
    private const DIGITS = 8;

    /** @return list<array{person: Person, why: string}> */
    public static function of(Person $person): array
    {
        $why = [];
        if ($person->email !== null && $person->email !== '') {
            foreach (Person::query()->where('email', $person->email)->whereKeyNot($person->id)->limit(self::FOUND)->pluck('id') as $id) {
                $why[(int) $id][] = 'the same email';
            }
        }
        foreach ($person->numbers as $number) {
            $end = substr($number->e164, -self::DIGITS);
            $alike = Number::query()->whereLike('e164', "%$end")->where('person_id', '!=', $person->id)->limit(self::FOUND);
            foreach ($alike->pluck('person_id') as $id) {
                $why[(int) $id][] = 'a number that ends alike';
            }
        }
        if ($person->last_name !== null && $person->last_name !== '') {
            $called = Person::query()->where('last_name', $person->last_name)->where('first_name', $person->first_name)
                ->whereKeyNot($person->id)->limit(self::FOUND);
            foreach ($called->pluck('id') as $id) {
                $why[(int) $id][] = 'the same name';
            }
        }
        uasort($why, fn (array $a, array $b): int => count($b) <=> count($a));
        $people = Person::query()->with('number')->whereKey(array_keys($why))->get()->keyBy('id');
        $found = [];
        foreach (array_slice($why, 0, self::FOUND, true) as $id => $reasons) {
            $found[] = ['person' => $people[$id] ?? throw new \LogicException('it was just found'), 'why' => implode(', ', array_unique($reasons))];
        }

        return $found;
    }
}
