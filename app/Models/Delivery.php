<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $source_id
 * @property DeliveryState $state
 * @property string|null $fingerprint of the message's name, or of its body; null where it was not used
 * @property string $body as it came; base64 where is_binary
 * @property bool $is_binary
 * @property bool $is_cut it was too large to be kept whole
 * @property bool $unproven it did not show that it comes from the source
 * @property int $bytes of the body as it is kept
 * @property array<string, string>|null $headers those that say how to read it
 * @property array{code: string, with: array<string, mixed>}|null $reason
 * @property int|null $record_id
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $replayed_at
 * @property-read Source $source
 * @property-read Record|null $record
 */
final class Delivery extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'state' => DeliveryState::class, 'headers' => 'array', 'reason' => 'array', 'at' => 'immutable_datetime',
            'replayed_at' => 'immutable_datetime', 'is_binary' => 'boolean', 'is_cut' => 'boolean', 'unproven' => 'boolean',
        ];
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

    /** The bytes that came. */
    public function bytes(): string
    {
        return $this->is_binary ? (string) base64_decode($this->body, true) : $this->body;
    }
}
