<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Two entries that were one person's, made one.
 *
 * @property int $id
 * @property int $person_id
 * @property int $gone_id
 * @property int|null $staff_id
 * @property array<string, mixed> $kept what it takes to split them again
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $undone_at
 * @property-read Person $person
 * @property-read Staff|null $staff
 */
final class Merge extends Model
{
    /** Until when they can be split again. */
    public const UNDONE_WITHIN = '+1 day';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['kept' => 'encrypted:array', 'at' => 'immutable_datetime', 'undone_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    public function canBeUndone(\DateTimeImmutable $now): bool
    {
        return $this->undone_at === null && $this->at->modify(self::UNDONE_WITHIN) > $now;
    }
}
