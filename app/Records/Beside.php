<?php

declare(strict_types=1);

namespace App\Records;

use App\Models\Field;
use App\Models\Record;
use App\Models\RecordType;
use Illuminate\Database\Eloquent\Builder;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType as CoreType;

/** Records in which somebody stands in another field than the one that leads to the record's person: the host of a guest's booking. */
final class Beside
{
    /** @return list<Field> the fields in which somebody may stand so */
    public static function fields(): array
    {
        $fields = [];
        foreach (RecordType::query()->where('key', '!=', CoreType::PERSON)->with('fields')->orderBy('id')->get() as $type) {
            foreach ($type->fields as $field) {
                $field->kind === FieldKind::Person && $field->key !== $type->person_field && $fields[] = $field;
            }
        }

        return $fields;
    }

    /** @return Builder<Record> those in which a person stands in one of them */
    public static function in(Field $field, int $person): Builder
    {
        return Record::query()->whereRaw(FieldColumn::ofType($field->record_type_id))->whereRaw(FieldColumn::sql($field).' = ?', [$person]);
    }

    /** @return list<array{Record, Field}> the newest few of each */
    public static function of(int $person, int $most): array
    {
        $found = [];
        foreach (self::fields() as $field) {
            foreach (self::in($field, $person)->with('type.fields')->orderByDesc('id')->limit($most)->get() as $record) {
                $found[] = [$record, $field];
            }
        }

        return $found;
    }

    /** Whether somebody stands in one of a record's fields. */
    public static function isIn(Record $record, int $person): bool
    {
        return $record->type->fields->contains(
            fn (Field $field): bool => $field->kind === FieldKind::Person && ($record->values[$field->key] ?? null) === $person,
        );
    }
}
