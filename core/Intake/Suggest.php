<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\Record\Field;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Place;
use Linnet\Core\Time\Zone;

/** Which steps a value will likely need to fit a field, judged by one sample. */
final class Suggest
{
    /** @return list<array<string, mixed>> cleaning steps, as a document holds them */
    public static function steps(Field $field, mixed $value, Place $place): array
    {
        if (! is_scalar($value) || is_bool($value)) {
            return [];
        }
        $written = trim((string) $value);

        return match ($field->kind) {
            FieldKind::Date, FieldKind::DateTime => self::date($written, $place),
            FieldKind::Number, FieldKind::Money => (WrittenNumber::parse($written, '.') === null &&
                WrittenNumber::parse($written, ',') !== null) ||
            preg_match('/\d,\d{1,2}$/', $written) === 1
                ? [['do' => 'number', 'decimal' => ',']]
                : [],
            default => [],
        };
    }

    /** How several values are likely to become one. */
    public static function fold(Field $field, Path $path): Fold
    {
        return match (true) {
            ! $path->isMany() => Fold::First,
            $path->steps[count($path->steps) - 1] === null && $field->kind === FieldKind::Number => Fold::Count,
            $field->kind === FieldKind::Number, $field->kind === FieldKind::Money => Fold::Sum,
            $field->kind === FieldKind::Text, $field->kind === FieldKind::LongText => Fold::Joined,
            default => Fold::First,
        };
    }

    /** @return list<array<string, mixed>> */
    private static function date(string $written, Place $place): array
    {
        if (preg_match('/^\d{9,10}(\.\d+)?$/', $written) === 1) {
            return [['do' => 'unix', 'unit' => 'seconds']];
        }
        if (preg_match('/^\d{12,13}$/', $written) === 1) {
            return [['do' => 'unix', 'unit' => 'milliseconds']];
        }
        foreach ([null => DateOrder::YearMonthDay, 'dmy' => DateOrder::DayMonthYear, 'mdy' => DateOrder::MonthDayYear] as $name => $order) {
            if (WrittenDate::parse($written, $order, Zone::get($place->zone)) !== null) {
                return $name === '' ? [] : [['do' => 'date', 'order' => $name]];
            }
        }

        return [];
    }
}
