<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Linnet\Core\Document\Doc;
use Linnet\Core\Rule as Core;

/**
 * A rule carried out on paper over days that are past, and what came of it.
 *
 * @property int $id
 * @property int $rule_id
 * @property int|null $rule_version_id the version that was published then
 * @property int|null $staff_id
 * @property array<string, mixed>|null $document with its changes as they were then; null where there were none
 * @property int $days
 * @property CarbonImmutable $begins_at
 * @property CarbonImmutable $ends_at
 * @property RehearsalState $state
 * @property int $done of what happened, how much was gone through
 * @property int $of
 * @property CarbonImmutable $asked_at
 * @property CarbonImmutable|null $work_began_at by the machine's own clock
 * @property CarbonImmutable|null $leased_until
 * @property string|null $leased_by
 * @property string|null $problem
 * @property array<string, array<string, mixed>>|null $summary by side
 * @property-read Rule $rule
 * @property-read RuleVersion|null $version
 * @property-read Staff|null $staff
 */
final class Rehearsal extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'document' => 'array', 'begins_at' => 'immutable_datetime', 'ends_at' => 'immutable_datetime',
            'state' => RehearsalState::class, 'asked_at' => 'immutable_datetime', 'work_began_at' => 'immutable_datetime',
            'leased_until' => 'immutable_datetime', 'summary' => 'array',
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

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    /** @return array<string, Core\Rule> what is carried out, by side */
    public function versions(): array
    {
        return array_map(fn (array $document): Core\Rule => Core\Rule::read(Doc::of($document)), array_filter([
            RehearsalSide::Changed->value => $this->document, RehearsalSide::Published->value => $this->version?->document,
        ], fn (?array $document): bool => $document !== null));
    }

    /** The side that is asked about: the changed one, where there is one. */
    public function side(): RehearsalSide
    {
        return $this->document === null ? RehearsalSide::Published : RehearsalSide::Changed;
    }
}
