<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $record_type_id
 * @property int|null $person_id
 * @property string|null $external_id
 * @property array<string, scalar|null> $values
 * @property CarbonImmutable $added_at
 * @property-read RecordType $type
 * @property-read Person|null $person
 */
final class Record extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['values' => 'array', 'added_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<RecordType, $this> */
    public function type(): BelongsTo
    {
        return $this->belongsTo(RecordType::class, 'record_type_id');
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }
}
