<?php

declare(strict_types=1);

namespace App\Records;

use App\Clock\TimeFormatter;
use App\Models\Field;
use App\Models\Line;
use App\Models\Record;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\FieldKind;

/** A record in one line: its type, and its fields as a reader would say them. */
final class RecordSentence
{
    /** @var array<string, string>|null names of lines by their numbers */
    private ?array $lines = null;

    public function __construct(private readonly string $zone, private readonly string $currency)
    {
    }

    public function of(Record $record): string
    {
        $said = $record->type->fields
            ->map(fn (Field $field): ?string => $this->field($field, $record->values[$field->key] ?? null))
            ->filter();

        return $record->type->name.($said->isEmpty() ? '' : ': '.$said->implode(', ')).'.';
    }

    /** "call, Mon 2 March 10:04": enough to tell it from its like. */
    public static function briefly(Record $record, string $zone): string
    {
        return mb_strtolower($record->type->name).' on '.TimeFormatter::momentIn($record->added_at, $zone);
    }

    private function field(Field $field, string|int|float|bool|null $value): ?string
    {
        if ($value === null) {
            return null;
        }

        return match ($field->kind) {
            FieldKind::Choice => (string) $value,
            FieldKind::Line => 'on the '.($this->lines()[(string) $value] ?? (string) $value),
            FieldKind::DateTime => mb_strtolower($field->name).' '
                .TimeFormatter::momentIn(new \DateTimeImmutable((string) $value), $this->zone),
            FieldKind::Date => mb_strtolower($field->name).' '.Shown::day((string) $value),
            FieldKind::Phone => Numbers::pretty((string) $value),
            FieldKind::YesNo => mb_strtolower($field->name).': '.($value ? 'yes' : 'no'),
            FieldKind::Number, FieldKind::Staff, FieldKind::Person, FieldKind::Record, FieldKind::LongText, FieldKind::Link => null,
            FieldKind::Money => TimeFormatter::money((float) $value, $this->currency),
            default => (string) $value,
        };
    }

    /** @return array<string, string> */
    private function lines(): array
    {
        return $this->lines ??= Line::query()->whereNotNull('number')->pluck('name', 'number')->all();
    }
}
