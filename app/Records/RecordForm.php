<?php

declare(strict_types=1);

namespace App\Records;

use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\Business;
use App\Models\Field;
use App\Models\Record;
use App\Models\RecordType;
use App\Sentences\Sentence;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Intake\FieldNormalizer;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Record\Place;

/** What was typed into a record's form, as its fields keep it. */
final class RecordForm
{
    /**
     * @param  array<array-key, mixed>  $typed  by field key
     * @return array<string, scalar|null> references still in words
     *
     * @throws ValidationException under fields.key
     */
    public static function read(RecordType $type, array $typed, Business $business): array
    {
        $place = new Place($business->country, $business->zone);
        $values = $wrong = [];
        foreach ($type->fields as $field) {
            if (! array_key_exists($field->key, $typed)) {
                continue;
            }
            $written = $typed[$field->key];
            try {
                $values[$field->key] = FieldNormalizer::into($field->read(), self::picked($field, $written), $place, $field->name);
            } catch (Refused $e) {
                $wrong["fields.$field->key"] = Sentence::of($e->reason());
            }
        }

        return $wrong === [] ? $values : throw ValidationException::withMessages($wrong);
    }

    /**
     * A record is changed to what was typed, as it is by then.
     *
     * @param  array<array-key, mixed>  $typed  by field key
     *
     * @throws ValidationException under fields.key
     */
    public static function change(Record $record, RecordType $type, array $typed, RecordWriter $writer, ChangeOrigin $origin): void
    {
        $values = self::read($type, $typed, Business::current());
        self::write($type, fn () => DB::transaction(
            fn () => $writer->edit(Record::query()->lockForUpdate()->findOrFail($record->id), $values, $origin),
        ));
    }

    /**
     * Carries out what writes such values; what cannot be found or kept is said at its field.
     *
     * @template T
     *
     * @param  \Closure(): T  $write
     * @param  string|null  $place  where all of it is said; null for the field it is about
     * @return T
     *
     * @throws ValidationException
     */
    public static function write(RecordType $type, \Closure $write, ?string $place = null): mixed
    {
        try {
            return $write();
        } catch (Refused $e) {
            $field = $type->fields->firstWhere('name', $e->reason()->with['path'] ?? '');
            throw ValidationException::withMessages([
                $place ?? ($field === null ? 'fields' : "fields.$field->key") => Sentence::of($e->reason()),
            ]);
        }
    }

    /** Somebody or something picked from a list is written as its name with its number behind: "Noor Haddad (#12)". */
    private static function picked(Field $field, mixed $written): mixed
    {
        return is_string($written) && $field->kind->isReference() && preg_match('/\((#\d{1,15})\)\s*$/', $written, $found) === 1
            ? $found[1]
            : $written;
    }
}
