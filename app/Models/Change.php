<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something that happened, for the engine to take.
 *
 * @property int $id
 * @property ChangeKind $kind
 * @property int|null $record_id
 * @property int|null $person_id
 * @property int|null $delivery_id
 * @property int|null $message_id
 * @property array<string, mixed>|null $from
 * @property array<string, mixed>|null $to
 * @property CarbonImmutable $at
 * @property bool $handled
 * @property bool $silent rules were not to act on it
 * @property Way $way
 * @property string $via what brought it, as it was called then
 * @property int|null $staff_id
 * @property int|null $import_id
 * @property list<string>|null $cause the rules through which it came about
 * @property array<string, mixed>|null $with what its kind says besides
 * @property-read Record|null $record
 * @property-read Person|null $person
 */
final class Change extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'kind' => ChangeKind::class, 'way' => Way::class, 'from' => 'array', 'to' => 'array', 'at' => 'immutable_datetime',
            'handled' => 'boolean', 'silent' => 'boolean', 'cause' => 'array', 'with' => 'array',
        ];
    }

    /** @return BelongsTo<Record, $this> */
    public function record(): BelongsTo
    {
        return $this->belongsTo(Record::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }
}
