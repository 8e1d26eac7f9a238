<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something to be done outside besides texting: an email, a look-up, a post to another system.
 *
 * @property int $id
 * @property string $name unique: run/step/round
 * @property string $key what the other system knows it by, random
 * @property OutboundTaskKind $kind
 * @property int|null $run_id
 * @property int|null $rule_id
 * @property int|null $person_id
 * @property string $address
 * @property array<array-key, mixed> $body
 * @property OutboundTaskState $state
 * @property int $attempts
 * @property array{code: string, with: array<string, mixed>}|null $reason
 * @property CarbonImmutable|null $due_at when it should be tried next, by the machine's own clock
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $done_at
 * @property-read Rule|null $rule
 * @property-read Person|null $person
 */
final class OutboundTask extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'kind' => OutboundTaskKind::class, 'state' => OutboundTaskState::class, 'body' => 'array', 'reason' => 'array',
            'due_at' => 'immutable_datetime', 'at' => 'immutable_datetime', 'done_at' => 'immutable_datetime',
        ];
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
