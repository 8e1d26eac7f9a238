<?php

declare(strict_types=1);

namespace App\Pages\Records;

use App\Models\Field;
use Linnet\Core\Record\FieldKind;

/** A field as a column of a table. */
final readonly class RecordColumn
{
    private function __construct(public string $key, public string $name, public bool $isNumeric, public bool $wraps, public int $longest)
    {
    }

    public static function of(Field $field): self
    {
        $kind = $field->kind;

        return new self(
            $field->key, $field->name, $kind === FieldKind::Number || $kind === FieldKind::Money, $kind === FieldKind::Text,
            $kind === FieldKind::Link ? 28 : 60,
        );
    }
}
