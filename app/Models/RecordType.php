<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Linnet\Core\Record\RecordType as CoreType;

/**
 * @property int $id
 * @property string $key
 * @property string $name
 * @property string $plural
 * @property string|null $person_field the key of the field that leads to the person
 * @property string|null $person_noun what its person is in a sentence: "guest"
 * @property string|null $title_field
 * @property string|null $start_field
 * @property string|null $end_field
 * @property string|null $stage_field
 * @property-read Collection<int, Field> $fields
 */
final class RecordType extends Model
{
    /** @var array<array-key, Field>|null by their keys, as they were read */
    private ?array $byKey = null;

    public static function people(): self
    {
        return self::query()->where('key', CoreType::PERSON)->with('fields')->firstOrFail();
    }

    /** @return HasMany<Field, $this> */
    public function fields(): HasMany
    {
        return $this->hasMany(Field::class)->whereNull('removed_at')->orderBy('position')->orderBy('id');
    }

    /** @return HasMany<Record, $this> */
    public function records(): HasMany
    {
        return $this->hasMany(Record::class);
    }

    /** @return HasMany<SavedFilter, $this> */
    public function filters(): HasMany
    {
        return $this->hasMany(SavedFilter::class);
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    public function field(?string $key): ?Field
    {
        // Asked of every record of a list.
        $this->byKey ??= $this->fields->keyBy('key')->all();

        return $key === null ? null : $this->byKey[$key] ?? null;
    }

    /**
     * @param  string  $relation
     * @param  mixed  $value
     */
    public function setRelation($relation, $value): static
    {
        $this->byKey = null;

        return parent::setRelation($relation, $value);
    }

    public function isPeople(): bool
    {
        return $this->key === CoreType::PERSON;
    }

    public function read(): CoreType
    {
        return new CoreType(
            $this->key, $this->name, $this->fields->mapWithKeys(fn (Field $field): array => [$field->key => $field->read()])->all(),
            $this->person_field, $this->start_field, $this->plural, $this->person_noun,
        );
    }
}
