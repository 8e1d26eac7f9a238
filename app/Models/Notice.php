<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A rule's or a colleague's word to somebody of the business, on their screen until it is put away.
 *
 * @property int $id
 * @property int|null $staff_id whose; null for everybody
 * @property int|null $person_id
 * @property int|null $conversation_id where it is about what was said there
 * @property int|null $rule_id
 * @property string $words
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $put_away_at
 * @property-read Rule|null $rule
 * @property-read Person|null $person
 */
final class Notice extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime', 'put_away_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Rule, $this> */
    public function rule(): BelongsTo
    {
        return $this->belongsTo(Rule::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }
}
