<?php

declare(strict_types=1);

namespace App\Models;

use App\Database\Like;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Linnet\Core\Number\Numbers;

/**
 * @property int $id
 * @property string|null $first_name
 * @property string|null $last_name
 * @property string|null $email
 * @property string|null $zone set by hand
 * @property string|null $locale
 * @property array<string, mixed> $fields
 * @property CarbonImmutable $added_at
 * @property int|null $hears_staff_id which of us is told of what they write
 * @property int|null $line_id the line their conversation is locked to
 * @property int|null $import_id the file that brought them
 * @property-read Number|null $number
 * @property-read Collection<int, Number> $numbers
 * @property-read Collection<int, ExternalId> $externalIds
 * @property-read Staff|null $hears
 * @property-read Collection<int, Label> $labels
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

    /**
     * The number texts go to.
     *
     * @return HasOne<Number, $this>
     */
    public function number(): HasOne
    {
        return $this->hasOne(Number::class)->ofMany(['rank' => 'max', 'id' => 'min']);
    }

    /**
     * Those whose name begins with the words, or whose number holds the digits.
     *
     * @param  Builder<self>  $query
     */
    public function scopeNamed(Builder $query, string $words): void
    {
        $query->where(function (Builder $any) use ($words): void {
            foreach (array_filter(explode(' ', trim($words))) as $word) {
                $any->where(fn (Builder $one) => Like::any($one, ['first_name', 'last_name'], $word, ''));
            }
            $digits = ltrim((string) preg_replace('/\D/', '', $words), '0');
            if (strlen($digits) >= 3) {
                $any->orWhereIn('id', Number::query()->whereLike('e164', '%'.$digits.'%')->select('person_id'));
            }
        });
    }

    public function name(): string
    {
        $name = trim("$this->first_name $this->last_name");

        return $name !== '' ? $name : ($this->number === null ? 'Somebody with no name' : Numbers::pretty($this->number->e164));
    }

    /** @return BelongsTo<Staff, $this> */
    public function hears(): BelongsTo
    {
        return $this->belongsTo(Staff::class, 'hears_staff_id');
    }

    /** @return HasMany<Label, $this> */
    public function labels(): HasMany
    {
        return $this->hasMany(Label::class)->orderBy('name');
    }

    /** @return HasMany<Record, $this> */
    public function records(): HasMany
    {
        return $this->hasMany(Record::class);
    }

    /** @return HasMany<Message, $this> */
    public function messages(): HasMany
    {
        return $this->hasMany(Message::class);
    }

    /** @return HasMany<ExternalId, $this> */
    public function externalIds(): HasMany
    {
        return $this->hasMany(ExternalId::class);
    }

    /** What to call them in a sentence. */
    public function called(): string
    {
        return $this->first_name !== null && $this->first_name !== '' ? $this->first_name : $this->name();
    }
}
