<?php

declare(strict_types=1);

namespace App\Models;

use Linnet\Core\Gate\Power;

/**
 * @property int $id
 * @property string $key
 * @property string $name
 * @property string $number
 * @property Power $power
 */
final class Line extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['power' => Power::class];
    }
}
