<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property int $id
 * @property int $record_type_id
 * @property string $key
 * @property string $name
 * @property FieldKind $kind
 * @property list<string>|null $options
 * @property bool $at_place a date that is read at the business's place, not the receiver's
 */
final class Field extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['kind' => FieldKind::class, 'options' => 'array', 'at_place' => 'boolean'];
    }
}
