<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * What the carrier said of a text, each thing once.
 *
 * @property int $id
 * @property int $message_id
 * @property string $fate
 * @property string|null $detail
 * @property CarbonImmutable $at
 */
final class Receipt extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }
}
