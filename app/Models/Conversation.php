<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * All that was said with one person on one line.
 *
 * @property int $id
 * @property int $person_id
 * @property int $line_id
 * @property CarbonImmutable|null $waiting_since when they wrote what nobody has answered
 * @property int|null $last_message_id
 * @property CarbonImmutable $last_at
 * @property-read Person $person
 * @property-read Line $line
 * @property-read Message|null $last
 */
final class Conversation extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['waiting_since' => 'immutable_datetime', 'last_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<Line, $this> */
    public function line(): BelongsTo
    {
        return $this->belongsTo(Line::class);
    }

    /** @return BelongsTo<Message, $this> */
    public function last(): BelongsTo
    {
        return $this->belongsTo(Message::class, 'last_message_id');
    }

    /** @return HasMany<Message, $this> */
    public function messages(): HasMany
    {
        return $this->hasMany(Message::class);
    }
}
