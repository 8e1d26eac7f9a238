<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Linnet\Core\Record\Field as CoreField;
use Linnet\Core\Record\FieldKind;

/**
 * @property int $id
 * @property int $record_type_id
 * @property string $key what rules and mappings call it; never changes
 * @property string $name
 * @property FieldKind $kind
 * @property list<string>|null $options of a choice, in their order
 * @property bool $at_place a date that is read at the business's place, not the receiver's
 * @property string|null $of the key of the record type another record is of
 * @property string|null $noun what it is in a sentence, without an article: "start"
 * @property int $position
 * @property CarbonImmutable|null $removed_at
 */
final class Field extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['kind' => FieldKind::class, 'options' => 'array', 'at_place' => 'boolean', 'removed_at' => 'immutable_datetime'];
    }

    public function read(): CoreField
    {
        return new CoreField($this->key, $this->name, $this->kind, $this->options ?? [], $this->of, $this->at_place, $this->noun);
    }
}
