<?php

declare(strict_types=1);

namespace App\Records;

use App\Models\Field;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\FieldKind;

/** A field's values as the database sees them: an expression over the record's values, with an index of its own. */
final class FieldColumn
{
    /** The expression, in the database's own SQL: texts in small letters, so that finding and ordering do not mind capitals. */
    public static function sql(Field $field): string
    {
        $sql = DB::connection()->getQueryGrammar()->wrap('values->'.$field->key);
        $asText = DB::connection()->getDriverName() === 'pgsql';

        return match (true) {
            self::isText($field) => "lower($sql)",
            $asText && $field->kind->isNumeric() => "(($sql)::numeric)",
            $asText && $field->kind === FieldKind::YesNo => "(case $sql when 'true' then 1 when 'false' then 0 end)",
            default => $sql,
        };
    }

    public static function isText(Field $field): bool
    {
        return in_array($field->kind, [FieldKind::Text, FieldKind::Email, FieldKind::Link], true);
    }

    /** Whether lists can be filtered and ordered by it. */
    public static function isListed(Field $field): bool
    {
        return $field->kind !== FieldKind::LongText;
    }

    /**
     * The records of one type, as the indexes of its fields say it. Put so that no other index can serve it: a database without
     * statistics would take any that begins with the type, and walk all of its records.
     */
    public static function ofType(int $typeId): string
    {
        return "record_type_id + 0 = $typeId";
    }

    /**
     * Makes the index, over the records of the field's type alone. It holds all that finding and ordering ask, so that no row is read for
     * them.
     */
    public static function index(Field $field): void
    {
        if (self::isListed($field)) {
            DB::statement(
                sprintf(
                    'create index if not exists records_field_%d on records ((%s), id, record_type_id) where %s', $field->id,
                    self::sql($field), self::ofType($field->record_type_id),
                ),
            );
        }
    }
}
