<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A row of a file that could not be used, and why.
 *
 * @property int $id
 * @property int $import_id
 * @property int $row its number in the file; the first below the names of the columns is 2
 * @property list<string> $cells
 * @property array{code: string, with: array<string, mixed>} $reason
 */
final class RefusedRow extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['cells' => 'array', 'reason' => 'array'];
    }
}
