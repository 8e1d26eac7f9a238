<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Which fields of a type somebody looks at in its list.
 *
 * @property int $id
 * @property int $staff_id
 * @property int $record_type_id
 * @property list<string> $fields
 */
final class ChosenColumns extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['fields' => 'array'];
    }

    /** @return list<string> none where they never chose */
    public static function of(Staff $staff, RecordType $type): array
    {
        return self::query()->where('staff_id', $staff->id)->where('record_type_id', $type->id)->first()->fields ?? [];
    }
}
