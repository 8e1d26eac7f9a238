<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A form was sent in.
 *
 * @property int $id
 * @property int $form_id
 * @property int $person_id
 * @property int|null $record_id what came of it
 * @property bool $agreed
 * @property array<string, scalar>|null $said what somebody who is known said of themselves, by field
 * @property CarbonImmutable|null $taken_at when that was written to them
 * @property CarbonImmutable $at
 * @property-read Person $person
 * @property-read Record|null $record
 */
final class FormSend extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['agreed' => 'boolean', 'at' => 'immutable_datetime', 'said' => 'array', 'taken_at' => 'immutable_datetime'];
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
}
