<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Records of a type as a calendar others can subscribe to, at an address nobody can guess.
 *
 * @property int $id
 * @property int $record_type_id
 * @property string $name
 * @property string $secret_hash SHA-256 of the secret in its address
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $fetched_at
 * @property-read RecordType $type
 */
final class Calendar extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime', 'fetched_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<RecordType, $this> */
    public function type(): BelongsTo
    {
        return $this->belongsTo(RecordType::class, 'record_type_id');
    }
}
