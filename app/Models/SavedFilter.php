<?php

declare(strict_types=1);

namespace App\Models;

/**
 * What a list of records was asked for, under a name.
 *
 * @property int $id
 * @property int $record_type_id
 * @property int|null $staff_id
 * @property string $name
 * @property array<string, mixed> $asked
 */
final class SavedFilter extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['asked' => 'array'];
    }
}
