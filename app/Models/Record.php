<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $record_type_id
 * @property int|null $person_id
 * @property string|null $external_id
 * @property array<string, scalar|null> $values
 * @property string|null $title in small letters
 * @property CarbonImmutable $changed_at
 * @property array<string, array<string, float>>|null $versions by source, then field
 * @property CarbonImmutable $added_at
 * @property-read RecordType $type
 * @property-read Person|null $person
 */
final class Record extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['values' => 'array', 'added_at' => 'immutable_datetime', 'changed_at' => 'immutable_datetime', 'versions' => 'array'];
    }

    /** @return BelongsTo<RecordType, $this> */
    public function type(): BelongsTo
    {
        return $this->belongsTo(RecordType::class, 'record_type_id');
    }

    /** What it is called: its title as it was given, or its type and number. */
    public function called(): string
    {
        $title = $this->type->title_field === null ? null : $this->values[$this->type->title_field] ?? null;

        return is_scalar($title) && (string) $title !== '' ? (string) $title : "{$this->type->name} $this->id";
    }

    /** How far it has come, where its type has stages; empty where it has none. */
    public function stage(): string
    {
        $stage = $this->type->stage_field === null ? null : $this->values[$this->type->stage_field] ?? null;

        return is_scalar($stage) ? (string) $stage : '';
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }
}
