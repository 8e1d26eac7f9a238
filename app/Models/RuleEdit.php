<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Linnet\Core\Document\Doc;
use Linnet\Core\Rule as Core;

/**
 * The draft of a rule after one change.
 *
 * @property int $id
 * @property int $rule_id
 * @property int|null $parent_id the one before; null for what the draft began with
 * @property array<string, mixed> $document
 * @property string $says what was done
 * @property int|null $staff_id
 * @property CarbonImmutable $at
 * @property-read Staff|null $staff
 */
final class RuleEdit extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => 'array', 'at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    public function read(): Core\Rule
    {
        return Core\Rule::read(Doc::of($this->document));
    }
}
