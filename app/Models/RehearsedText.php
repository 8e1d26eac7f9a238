<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A text that would have left, or would not have; or that its rule would not have begun.
 *
 * @property int $id
 * @property int $rehearsal_id
 * @property RehearsalSide $side
 * @property int|null $run its number on paper; null where none would have begun
 * @property string|null $step
 * @property int|null $person_id
 * @property int|null $record_id
 * @property int|null $line_id
 * @property RehearsedState $state
 * @property CarbonImmutable $wanted_at
 * @property CarbonImmutable|null $left_at
 * @property string $day of the business's own clock, YYYY-MM-DD, on which it would have left, or was wanted
 * @property array{code: string, with: array<string, mixed>}|null $reason why it would not have left
 * @property string|null $why in a few words, for counting
 * @property string|null $held_by code of what held it
 * @property array{code: string, with: array<string, mixed>}|null $held
 * @property int $held_seconds
 * @property string $body
 * @property string $wording
 * @property int $parts
 * @property int $price_micros
 * @property CarbonImmutable|null $too_late_since
 * @property array{code: string, with: array<string, mixed>}|null $too_late why nobody wanted it any more
 * @property-read Person|null $person
 * @property-read Record|null $record
 * @property-read Line|null $line
 */
final class RehearsedText extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'side' => RehearsalSide::class, 'state' => RehearsedState::class, 'wanted_at' => 'immutable_datetime',
            'left_at' => 'immutable_datetime', 'reason' => 'array', 'held' => 'array', 'too_late_since' => 'immutable_datetime',
            'too_late' => 'array',
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

    /** @return BelongsTo<Line, $this> */
    public function line(): BelongsTo
    {
        return $this->belongsTo(Line::class);
    }
}
