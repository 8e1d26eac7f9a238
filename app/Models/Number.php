<?php

declare(strict_types=1);

namespace App\Models;

use Linnet\Core\Number\NumberKind;

/**
 * @property int $id
 * @property int $person_id
 * @property string $e164
 * @property string $country
 * @property NumberKind $kind
 * @property non-empty-list<string> $zones
 * @property bool|null $alive
 */
final class Number extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['kind' => NumberKind::class, 'zones' => 'array', 'alive' => 'boolean'];
    }
}
