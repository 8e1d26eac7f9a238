<?php

declare(strict_types=1);

namespace App\Exports;

use App\Models\Business;
use App\Models\Consent;
use App\Models\Field;
use App\Models\Number;
use App\Models\Person;
use App\Models\RecordType;
use App\Records\Shown;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;

/** People as rows of a file that can be taken in again, with what they agreed to and its proof. */
final class PeopleRows
{
    /** @return list<string> */
    public static function headings(RecordType $type): array
    {
        return [
            'Linnet id', 'First name', 'Last name', 'Number', 'Kind', 'Other numbers', 'Email', 'Time zone', 'Language',
            ...array_values($type->fields->map(fn (Field $field): string => $field->name)->all()),
            'Wants no texts',
            'Agreed to offers',
            'The words they agreed to',
            'When they agreed',
            'Added',
        ];
    }

    /**
     * @param  Builder<Person>  $query
     * @return \Generator<int, list<string|int|float|null>>
     */
    public static function of(RecordType $type, Builder $query, Business $business): \Generator
    {
        $zone = new \DateTimeZone($business->zone);
        foreach ($query->with(['number', 'numbers'])->lazyById(500)->chunk(500) as $people) {
            $people = $people->collect();
            $shown = new Shown($type, $people->map(fn (Person $person): array => $person->fields), $business->zone, $business->currency());
            $last = self::lastWords($people);
            foreach ($people as $person) {
                $number = $person->number?->e164;
                $offers = $last["$number/marketing"] ?? null;
                yield [
                    $person->id, $person->first_name, $person->last_name, $number, $person->number?->kind->value,
                    implode(
                        ', ',
                        $person->numbers
                            ->filter(fn (Number $one): bool => $one->e164 !== $number)
                            ->map(fn (Number $one): string => $one->e164)
                            ->all(),
                    ),
                    $person->email,
                    $person->zone,
                    $person->locale,
                    ...array_values(
                        $type->fields
                            ->map(fn (Field $field): string => $shown->key($field->key, $person->fields[$field->key] ?? null))
                            ->all(),
                    ),
                    ($last["$number/all"] ?? null)?->act === 'withdrawn' ? 'yes' : 'no',
                    $offers === null ? null : ($offers->act === 'granted' ? 'yes' : 'no'),
                    $offers?->wording,
                    $offers?->at->setTimezone($zone)->format(DATE_ATOM),
                    $person->added_at->setTimezone($zone)->format(DATE_ATOM),
                ];
            }
        }
    }

    /**
     * @param  Collection<int, Person>  $people
     * @return array<string, Consent> the newest entry by number and scope
     */
    public static function lastWords(Collection $people): array
    {
        $numbers = $people->map(fn (Person $person): ?string => $person->number?->e164)->filter()->all();

        return Consent::query()
            ->whereIn('number', $numbers)
            ->orderBy('id')
            ->get()
            ->keyBy(fn (Consent $entry): string => "$entry->number/$entry->scope")
            ->all();
    }
}
