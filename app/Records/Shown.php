<?php

declare(strict_types=1);

namespace App\Records;

use App\Clock\TimeFormatter;
use App\Models\Line;
use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Staff;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\FieldKind;

/** Values as a reader would say them, with the names of what they refer to looked up once for all. */
final class Shown
{
    /** @var array<string, FieldKind> by the field's key */
    private array $kinds = [];

    /** @var array<int, string> */
    private array $people = [];

    /** @var array<int, string> */
    private array $records = [];

    /** @var array<int, string>|null */
    private ?array $staff = null;

    /** @var array<string, string>|null */
    private ?array $lines = null;

    /**
     * @param  RecordType  $type  with its fields
     * @param  iterable<array<string, mixed>>  $values  everything that will be shown, for looking names up at once
     * @param  string  $zone  the reader's
     */
    public function __construct(RecordType $type, iterable $values, private readonly string $zone, private readonly string $currency)
    {
        $people = $records = [];
        foreach ($type->fields as $field) {
            $this->kinds[$field->key] = $field->kind;
        }
        $references = array_filter($this->kinds, fn (FieldKind $kind): bool => $kind === FieldKind::Person || $kind === FieldKind::Record);
        foreach ($values as $row) {
            foreach ($references as $key => $kind) {
                if (isset($row[$key]) && is_numeric($row[$key])) {
                    $kind === FieldKind::Person ? $people[(int) $row[$key]] = true : $records[(int) $row[$key]] = true;
                }
            }
        }
        if ($people !== []) {
            $this->people = Person::query()
                ->whereKey(array_keys($people))
                ->with('number')
                ->get()
                ->mapWithKeys(fn (Person $person): array => [$person->id => $person->name()])
                ->all();
        }
        if ($records !== []) {
            $this->records = Record::query()->whereKey(array_keys($records))->with('type')->get()
                ->mapWithKeys(fn (Record $record): array => [$record->id => $record->called()])->all();
        }
    }

    /** What a field's value says; nothing where there is none. */
    public function key(string $key, mixed $value): string
    {
        if ($value === null || $value === '' || ! isset($this->kinds[$key])) {
            return is_scalar($value) ? (string) $value : '';
        }

        return match ($this->kinds[$key]) {
            FieldKind::Money => TimeFormatter::money((float) $value, $this->currency),
            FieldKind::Number => TimeFormatter::number((float) $value),
            FieldKind::Date => self::day((string) $value),
            FieldKind::DateTime => self::moment((string) $value, $this->zone),
            FieldKind::YesNo => $value ? 'yes' : 'no',
            FieldKind::Phone => Numbers::pretty((string) $value),
            FieldKind::Line => ($this->lines ??= Line::query()->pluck('name', 'number')->all())[$value] ?? Numbers::pretty((string) $value),
            FieldKind::Staff => ($this->staff ??= Staff::query()->pluck('name', 'id')->all())[(int) $value] ?? 'somebody who has left',
            FieldKind::Person => $this->people[(int) $value] ?? 'somebody who is gone',
            FieldKind::Record => $this->records[(int) $value] ?? 'something that is gone',
            default => (string) $value,
        };
    }

    /** A calendar date as a reader would say it; what is none, as it stands. */
    public static function day(string $date): string
    {
        $day = \DateTimeImmutable::createFromFormat('!Y-m-d', $date);

        return $day === false ? $date : $day->format('D j M Y');
    }

    private static function moment(string $at, string $zone): string
    {
        try {
            return (new \DateTimeImmutable($at))->setTimezone(new \DateTimeZone($zone))->format('D j M Y, H:i');
        } catch (\Exception) {
            return $at;
        }
    }
}
