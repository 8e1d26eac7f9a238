<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Linnet\Core\Document\Doc;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Rule as Core;

/**
 * @property int $id
 * @property string $name
 * @property ActivationState $power
 * @property array<string, mixed>|null $draft the document with changes not yet published
 * @property int|null $version_id
 * @property CarbonImmutable|null $on_since
 * @property string|null $key what other rules call it
 * @property CarbonImmutable|null $paused_until
 * @property int|null $start_cursor how far it has come with what was there when it was switched on
 * @property CarbonImmutable|null $broadcast_at a moment of its calendar that is being gone through
 * @property int|null $broadcast_cursor
 * @property int|null $edit_id the edit the draft stands at
 * @property-read RuleVersion|null $version
 */
final class Rule extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'power' => ActivationState::class, 'draft' => 'array', 'on_since' => 'immutable_datetime',
            'paused_until' => 'immutable_datetime', 'broadcast_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<RuleVersion, $this> */
    public function version(): BelongsTo
    {
        return $this->belongsTo(RuleVersion::class, 'version_id');
    }

    /** @return HasMany<RuleVersion, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(RuleVersion::class);
    }

    /** @return HasMany<Run, $this> */
    public function runs(): HasMany
    {
        return $this->hasMany(Run::class);
    }

    /** The rule as it is being written: with its unpublished changes, if there are any. */
    public function written(): Core\Rule
    {
        return Core\Rule::read(Doc::of($this->draft ?? $this->version?->document));
    }
}
