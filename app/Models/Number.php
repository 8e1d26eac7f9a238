<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Linnet\Core\Number\NumberKind;

/**
 * @property int $id
 * @property int $person_id
 * @property string $e164
 * @property string $country
 * @property NumberKind $kind
 * @property non-empty-list<string> $zones
 * @property bool|null $alive null where nobody has asked
 * @property CarbonImmutable|null $looked_up_at
 * @property int|null $ambiguous_opt_out_message_id they wrote what reads like a stop, and nobody has decided yet
 * @property string|null $label what it is called: "work"
 * @property int $rank the highest is the one texts go to
 */
final class Number extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['kind' => NumberKind::class, 'zones' => 'array', 'alive' => 'boolean', 'looked_up_at' => 'immutable_datetime'];
    }
}
