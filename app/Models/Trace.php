<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Linnet\Core\Reason;

/**
 * One thing that was decided, with the values of that moment.
 *
 * @property int $id
 * @property int|null $person_id
 * @property int|null $rule_id
 * @property int|null $run_id
 * @property int|null $record_id
 * @property int|null $message_id
 * @property string $code
 * @property array<string, mixed> $with
 * @property CarbonImmutable $at
 * @property-read Rule|null $rule
 */
final class Trace extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['with' => 'array', 'at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Rule, $this> */
    public function rule(): BelongsTo
    {
        return $this->belongsTo(Rule::class);
    }

    /** @param  array<string, int|null>  $about */
    public static function note(Reason $reason, \DateTimeImmutable $at, array $about): void
    {
        self::query()->create([...$about, 'code' => $reason->code, 'with' => $reason->with, 'at' => $at]);
    }
}
