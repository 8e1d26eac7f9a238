<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One entry of the ledger, which is only ever added to.
 *
 * @property int $id
 * @property int $person_id
 * @property string $number
 * @property string $act granted or withdrawn
 * @property string $scope all texts, or marketing
 * @property string $how
 * @property string|null $wording
 * @property int|null $staff_id
 * @property CarbonImmutable $at
 * @property-read Person $person
 */
final class Consent extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }
}
