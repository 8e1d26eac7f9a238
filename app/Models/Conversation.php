<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * All that was said with one person on one line.
 *
 * @property int $id
 * @property int $person_id
 * @property int $line_id
 * @property CarbonImmutable|null $waiting_since when they wrote what nobody has answered
 * @property int|null $staff_id whose it is; null for whoever answers
 * @property int|null $hears_staff_id who hears of a reply instead of whose it is
 * @property bool $line_hears everybody on the line hears of a reply, whosesoever it is
 * @property CarbonImmutable|null $put_off_until until when nobody need look at it, unless they write again
 * @property int|null $last_message_id
 * @property CarbonImmutable $last_at
 * @property-read Person $person
 * @property-read Line $line
 * @property-read Staff|null $owner
 * @property-read Staff|null $hears
 * @property-read Message|null $last
 */
final class Conversation extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'waiting_since' => 'immutable_datetime', 'put_off_until' => 'immutable_datetime', 'last_at' => 'immutable_datetime',
            'line_hears' => 'boolean',
        ];
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

    /** @return BelongsTo<Staff, $this> */
    public function owner(): BelongsTo
    {
        return $this->belongsTo(Staff::class, 'staff_id');
    }

    /** @return BelongsTo<Staff, $this> */
    public function hears(): BelongsTo
    {
        return $this->belongsTo(Staff::class, 'hears_staff_id');
    }

    /**
     * Those in which somebody waits for an answer, and that are not put off.
     *
     * @param  Builder<self>  $query
     */
    public function scopeWaiting(Builder $query, \DateTimeImmutable $now): void
    {
        $query
            ->whereNotNull('waiting_since')
            ->where(fn (Builder $any) => $any->whereNull('put_off_until')->orWhere('put_off_until', '<=', $now));
    }

    public function isPutOff(\DateTimeImmutable $now): bool
    {
        return $this->put_off_until !== null && $this->put_off_until > $now;
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
