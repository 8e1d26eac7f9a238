<?php

declare(strict_types=1);

namespace App\Exports;

use App\Models\Business;
use App\Models\Field;
use App\Models\Record;
use App\Models\RecordType;
use App\Records\Shown;
use Illuminate\Database\Eloquent\Builder;
use Linnet\Core\Record\FieldKind;

/** Records as rows of a file: values as they are kept, references by name, times in ISO 8601 with the offset of the business's zone. */
final class RecordRows
{
    /** @return list<string> */
    public static function headings(RecordType $type): array
    {
        return [
            'Linnet id', 'Their name for it', 'Person', 'Number', 'Email',
            ...array_values($type->fields->map(fn (Field $field): string => $field->name)->all()),
            'Added',
            'Changed',
        ];
    }

    /**
     * @param  Builder<Record>  $query
     * @return \Generator<int, list<string|int|float|null>>
     */
    public static function of(RecordType $type, Builder $query, Business $business): \Generator
    {
        $zone = new \DateTimeZone($business->zone);
        foreach ($query->with('person.number')->lazyById(500)->chunk(500) as $records) {
            $records = $records->collect();
            $shown = new Shown($type, $records->map(fn (Record $record): array => $record->values), $business->zone, $business->currency());
            foreach ($records as $record) {
                yield [
                    $record->id, $record->external_id, $record->person?->name(), $record->person?->number?->e164, $record->person?->email,
                    ...array_values(
                        $type->fields
                            ->map(
                                fn (Field $field): string|int|float|null => self::cell(
                                    $field, $record->values[$field->key] ?? null, $shown, $zone,
                                ),
                            )
                            ->all(),
                    ),
                    $record->added_at->setTimezone($zone)->format(DATE_ATOM),
                    $record->changed_at->setTimezone($zone)->format(DATE_ATOM),
                ];
            }
        }
    }

    private static function cell(Field $field, mixed $value, Shown $shown, \DateTimeZone $zone): string|int|float|null
    {
        return match (true) {
            $value === null => null,
            $field->kind === FieldKind::DateTime => (new \DateTimeImmutable((string) $value))->setTimezone($zone)->format(DATE_ATOM),
            $field->kind->isReference() => $shown->key($field->key, $value),
            is_bool($value) => $value ? 'yes' : 'no',
            is_int($value), is_float($value) => $value,
            default => (string) $value,
        };
    }
}
