<?php

declare(strict_types=1);

namespace App\Models;

/**
 * What Sent was asked for, under a name.
 *
 * @property int $id
 * @property string $name
 * @property array<string, string> $asked
 * @property int|null $staff_id
 */
final class SentFilter extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['asked' => 'array'];
    }
}
