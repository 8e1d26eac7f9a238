<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A run that would have been.
 *
 * @property int $id
 * @property int $rehearsal_id
 * @property RehearsalSide $side
 * @property int $run its number on paper
 * @property int $person_id
 * @property int|null $record_id
 * @property CarbonImmutable $began_at
 * @property string|null $outcome
 * @property array{code: string, with: array<string, mixed>}|null $reason what was noted of it last
 * @property string|null $why in a few words, for counting
 * @property int $texts that would have left
 * @property-read Person $person
 * @property-read Record|null $record
 */
final class RehearsedRun extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'side' => RehearsalSide::class, 'began_at' => 'immutable_datetime', 'reason' => 'array',
        ];
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<Record, $this> */
    public function record(): BelongsTo
    {
        return $this->belongsTo(Record::class);
    }
}
