<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something for the staff to do.
 *
 * @property int $id
 * @property int|null $staff_id whose; null for whoever takes it
 * @property int|null $person_id
 * @property int|null $record_id
 * @property int|null $rule_id
 * @property string $words
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $due_at
 * @property CarbonImmutable|null $done_at
 * @property-read Staff|null $staff
 * @property-read Person|null $person
 * @property-read Rule|null $rule
 */
final class Task extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime', 'due_at' => 'immutable_datetime', 'done_at' => 'immutable_datetime'];
    }

    public function isOverdue(\DateTimeImmutable $now): bool
    {
        return $this->done_at === null && $this->due_at !== null && $this->due_at < $now;
    }

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<Rule, $this> the one that noted it */
    public function rule(): BelongsTo
    {
        return $this->belongsTo(Rule::class);
    }
}
