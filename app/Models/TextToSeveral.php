<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Linnet\Core\Record\ActivationState;

/**
 * A text to an audience, or to those who were ticked, once. What it does stands in its rule.
 *
 * @property int $id
 * @property int $rule_id
 * @property int $staff_id
 * @property bool $ticked
 * @property bool $at_once
 * @property CarbonImmutable $at
 * @property CarbonImmutable|null $let_go_at null while it is written
 * @property string|null $stamp of what its list was worked out
 * @property int|null $cursor the last person it has come to; null where it is done
 * @property int $of people to go through
 * @property CarbonImmutable|null $worked_at
 * @property-read Rule $rule
 * @property-read Staff|null $staff
 */
final class TextToSeveral extends Model
{
    protected $table = 'texts_to_several';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'ticked' => 'boolean', 'at_once' => 'boolean', 'at' => 'immutable_datetime', 'let_go_at' => 'immutable_datetime',
            'worked_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<Rule, $this> */
    public function rule(): BelongsTo
    {
        return $this->belongsTo(Rule::class);
    }

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    /** @return HasMany<SeveralPerson, $this> */
    public function people(): HasMany
    {
        return $this->hasMany(SeveralPerson::class, 'several_id');
    }

    public function isWritten(): bool
    {
        return $this->let_go_at === null;
    }

    public function isWorkedOut(): bool
    {
        return $this->worked_at !== null && $this->cursor === null;
    }

    public function isStopped(): bool
    {
        return ! $this->isWritten() && $this->rule->power === ActivationState::Retired;
    }

    public function isPaused(): bool
    {
        return ! $this->isWritten() && $this->rule->power === ActivationState::Paused;
    }
}
