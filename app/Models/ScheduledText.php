<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A text that somebody typed and that has still to leave, at the moment they chose.
 *
 * @property int $id
 * @property int $person_id
 * @property int $line_id
 * @property int $staff_id who typed it
 * @property string $number E.164 it goes to
 * @property string $body
 * @property string|null $picture address of one that goes with it
 * @property bool $anyway even while the line is closed or busy
 * @property CarbonImmutable|null $leaves_at null where it is put aside
 * @property CarbonImmutable|null $slot_at its place in the line's order, where that was busy when it was to leave
 * @property CarbonImmutable $at when it was written
 * @property-read Person $person
 * @property-read Line $line
 * @property-read Staff $staff
 */
final class ScheduledText extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'leaves_at' => 'immutable_datetime', 'slot_at' => 'immutable_datetime', 'anyway' => 'boolean', 'at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<Line, $this> */
    public function line(): BelongsTo
    {
        return $this->belongsTo(Line::class);
    }

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }
}
