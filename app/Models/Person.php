<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Linnet\Core\Number\Numbers;

/**
 * @property int $id
 * @property string|null $external_id
 * @property string|null $first_name
 * @property string|null $last_name
 * @property string|null $email
 * @property string|null $zone set by hand
 * @property string|null $locale
 * @property array<string, mixed> $fields
 * @property CarbonImmutable $added_at
 * @property-read Number|null $number
 * @property-read Collection<int, Number> $numbers
 */
final class Person extends Model
{
    protected $table = 'people';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['fields' => 'array', 'added_at' => 'immutable_datetime'];
    }

    /** @return HasMany<Number, $this> */
    public function numbers(): HasMany
    {
        return $this->hasMany(Number::class);
    }

    /** The number texts go to. @return HasOne<Number, $this> */
    public function number(): HasOne
    {
        return $this->hasOne(Number::class)->oldestOfMany();
    }

    public function name(): string
    {
        $name = trim("$this->first_name $this->last_name");

        return $name !== '' ? $name : ($this->number === null ? 'Somebody with no name' : Numbers::pretty($this->number->e164));
    }

    /** What to call them in a sentence. */
    public function called(): string
    {
        return $this->first_name !== null && $this->first_name !== '' ? $this->first_name : $this->name();
    }
}
