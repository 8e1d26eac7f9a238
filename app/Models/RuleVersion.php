<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Linnet\Core\Document\Doc;
use Linnet\Core\Rule as Core;

/**
 * @property int $id
 * @property int $rule_id
 * @property int $number
 * @property array<string, mixed> $document
 * @property int|null $staff_id
 * @property-read Staff|null $staff
 * @property CarbonImmutable $at
 */
final class RuleVersion extends Model
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
