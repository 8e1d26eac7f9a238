<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What one of the staff wrote to the others about somebody.
 *
 * @property int $id
 * @property int $person_id
 * @property int|null $conversation_id where it was written
 * @property int|null $staff_id who wrote it
 * @property int|null $handed_to_id whom the conversation was handed to with it
 * @property string $words empty where it was handed over without any
 * @property CarbonImmutable $at
 * @property-read Staff|null $staff
 * @property-read Staff|null $handedTo
 */
final class Note extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    /** @return BelongsTo<Staff, $this> */
    public function handedTo(): BelongsTo
    {
        return $this->belongsTo(Staff::class, 'handed_to_id');
    }
}
