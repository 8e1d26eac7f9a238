<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Linnet\Core\Engine\RunState;

/**
 * @property int $id
 * @property int $rule_id
 * @property int $rule_version_id
 * @property int $person_id
 * @property int|null $record_id
 * @property int|null $line_id the line the person called or texted
 * @property string $occasion
 * @property array<string, mixed> $state
 * @property bool $live
 * @property string|null $outcome
 * @property string|null $step
 * @property string|null $number E.164 the person called or texted from
 * @property CarbonImmutable|null $asked_at since when it waits for an answer
 * @property bool $stuck its step is not in the version it was to move to
 * @property string|null $goal_value
 * @property CarbonImmutable $began_at
 * @property CarbonImmutable|null $ended_at
 * @property-read Rule $rule
 * @property-read RuleVersion $version
 * @property-read Person $person
 * @property-read Record|null $record
 * @property-read Line|null $line
 * @property-read Timer|null $timer
 */
final class Run extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'state' => 'array', 'live' => 'boolean', 'began_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime',
            'asked_at' => 'immutable_datetime', 'stuck' => 'boolean',
        ];
    }

    /** @return BelongsTo<Rule, $this> */
    public function rule(): BelongsTo
    {
        return $this->belongsTo(Rule::class);
    }

    /** @return BelongsTo<RuleVersion, $this> */
    public function version(): BelongsTo
    {
        return $this->belongsTo(RuleVersion::class, 'rule_version_id');
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

    /** @return HasOne<Timer, $this> */
    public function timer(): HasOne
    {
        return $this->hasOne(Timer::class, 'subject_id')->where('kind', Timer::RUN);
    }

    public function readState(): RunState
    {
        return RunState::fromArray($this->state);
    }
}
