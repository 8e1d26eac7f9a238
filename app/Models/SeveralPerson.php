<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a text to several comes to for one of them, as it was worked out.
 *
 * @property int $id
 * @property int $several_id
 * @property int $person_id
 * @property int $record_id 0 where it is about the person alone
 * @property string|null $outcome GETS or WAITS, else the code of why not; null where nobody has asked yet
 * @property array{code: string, with: array<string, mixed>}|null $reason
 * @property string|null $zone
 * @property int|null $line_id
 * @property CarbonImmutable|null $wanted_at
 * @property CarbonImmutable|null $leaves_at
 * @property string|null $body the words, as they would get them
 * @property int $parts
 * @property int $price_micros
 * @property-read Person $person
 * @property-read Record|null $record
 */
final class SeveralPerson extends Model
{
    public const GETS = 'gets';

    /** It would still be held when no further is looked ahead. */
    public const WAITS = 'waits';

    protected $table = 'several_people';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['reason' => 'array', 'wanted_at' => 'immutable_datetime', 'leaves_at' => 'immutable_datetime'];
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
