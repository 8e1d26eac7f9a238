<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $source_id
 * @property DeliveryState $state
 * @property string|null $fingerprint
 * @property string $body as it came
 * @property array{code: string, with: array<string, mixed>}|null $reason
 * @property int|null $record_id
 * @property CarbonImmutable $at
 * @property-read Source $source
 * @property-read Record|null $record
 */
final class Delivery extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['state' => DeliveryState::class, 'reason' => 'array', 'at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Source, $this> */
    public function source(): BelongsTo
    {
        return $this->belongsTo(Source::class);
    }

    /** @return BelongsTo<Record, $this> */
    public function record(): BelongsTo
    {
        return $this->belongsTo(Record::class);
    }
}
