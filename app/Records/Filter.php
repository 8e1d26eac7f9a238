<?php

declare(strict_types=1);

namespace App\Records;

use App\Clock\Day;
use App\Models\Field;
use App\Models\RecordType;
use Linnet\Core\Intake\FieldNormalizer;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Place;

/** One thing a list of records is asked for. */
final readonly class Filter
{
    /**
     * @param  string  $column  what it asks about
     * @param  list<scalar>  $bindings
     * @param  list<array{string, list<scalar>}>  $rest  what it does not let through, as conditions that the field's index serves
     * @param  bool  $isBroad  it is likely to let most records through, and no index helps
     * @param  bool  $byRow  it is asked of each row, and never of all of them beforehand
     */
    private function __construct(
        private string $column,
        public string $sql,
        public array $bindings,
        public array $rest,
        public bool $isBroad = false,
        public bool $byRow = false,
    ) {
    }

    /**
     * Only those of a few.
     *
     * @param  string  $column  what the ids are of: a record's own, or its person's
     * @param  list<int>  $ids
     */
    public static function among(string $column, array $ids): self
    {
        $these = $ids === [] ? '0' : implode(', ', $ids);

        return new self("$column among", "$column in ($these)", [], [["$column not in ($these)", []]]);
    }

    /**
     * Only those of whom a condition holds that was put together elsewhere: each row is asked, since very many are let through.
     *
     * @param  string  $sql  over "records"
     * @param  list<scalar>  $bindings
     */
    public static function belonging(string $sql, array $bindings): self
    {
        return new self('belongs', "($sql)", $bindings, [["not ($sql)", $bindings]], isBroad: true, byRow: true);
    }

    /**
     * The same asked for in fewer: what is asked of one field is one walk of its index, from here to there, and is nothing at all where
     * the field is to be empty and to hold something.
     *
     * @param  list<self>  $filters
     * @return list<self>
     */
    public static function together(array $filters): array
    {
        $together = [];
        foreach ($filters as $filter) {
            $key = $filter->column.($filter->isBroad ? $filter->sql.serialize($filter->bindings) : '');
            $one = $together[$key] ?? null;
            $together[$key] =
                $one === null || ($one->sql === $filter->sql && $one->bindings === $filter->bindings) ? $filter : $one->and($filter);
        }

        return array_values($together);
    }

    private function and(self $other): self
    {
        $isEmpty = "$this->column is null";

        return $this->sql === $isEmpty || $other->sql === $isEmpty
            ? new self($this->column, '0 = 1', [], [['1 = 1', []]])
            : new self(
                $this->column, "($this->sql and $other->sql)", [...$this->bindings, ...$other->bindings], [...$this->rest, ...$other->rest],
            );
    }

    /**
     * @param  array{field?: mixed, test?: mixed, value?: mixed}  $asked
     * @param  string|null  $wrong  why the value cannot be used, if it cannot
     */
    public static function read(array $asked, RecordType $type, Place $place, \DateTimeImmutable $now, ?string &$wrong = null): ?self
    {
        $field = $type->field(is_string($asked['field'] ?? null) ? $asked['field'] : null);
        $test = FilterTest::tryFrom(is_string($asked['test'] ?? null) ? $asked['test'] : '');
        if ($field === null || $test === null || ! in_array($test, FilterTest::for($field->kind), true)) {
            return null;
        }
        $sql = FieldColumn::sql($field);
        if (! $test->takesValue()) {
            $isEmpty = [["$sql is null", []]];
            $isFilled = [["$sql is not null", []]];

            return $test === FilterTest::Empty
                ? new self($sql, ...$isEmpty[0], rest: $isFilled)
                : new self($sql, ...$isFilled[0], rest: $isEmpty, isBroad: true);
        }
        $value = trim(is_scalar($asked['value'] ?? null) ? (string) $asked['value'] : '');
        if ($value === '') {
            return null;
        }
        try {
            return self::test($field, $test, $sql, $value, $place, $now);
        } catch (Refused $e) {
            $wrong = \App\Sentences\Sentence::of($e->reason());

            return null;
        }
    }

    private static function test(Field $field, FilterTest $test, string $sql, string $value, Place $place, \DateTimeImmutable $now): self
    {
        if ($test === FilterTest::Begins) {
            return self::between($sql, 'lower(?)', $value, $value."\u{10FFFF}");
        }
        if ($field->kind === FieldKind::Date || $field->kind === FieldKind::DateTime) {
            return self::date($field, $test, $sql, $value, $place, $now);
        }
        $fits = $field->kind->isReference()
            ? (int) ltrim($value, '#')
            : FieldNormalizer::into($field->read(), $value, $place, $field->name);
        $fits = is_bool($fits) ? (int) $fits : $fits;
        // A fraction is handed to the database as a text, which is more than any number.
        $wanted = match (true) {
            FieldColumn::isText($field) => 'lower(?)',
            is_float($fits) => '(? + 0.0)',
            default => '?',
        };
        $is = ["$sql = $wanted", [$fits ?? '']];
        $isMore = ["$sql > $wanted", [$fits ?? 0]];
        $isLess = ["$sql < $wanted", [$fits ?? 0]];
        $isEmpty = ["$sql is null", []];

        return match ($test) {
            FilterTest::IsNot => new self($sql, "($sql <> $wanted or $sql is null)", $is[1], [$is], true),
            FilterTest::More => new self($sql, ...$isMore, rest: [$isEmpty, $isLess, $is]),
            FilterTest::Less => new self($sql, ...$isLess, rest: [$isEmpty, $isMore, $is]),
            default => new self($sql, ...$is, rest: [$isEmpty, $isLess, $isMore]),
        };
    }

    private static function date(Field $field, FilterTest $test, string $sql, string $value, Place $place, \DateTimeImmutable $now): self
    {
        $today = Day::of($now, $place->zone)->date;
        $shift = fn (string $date, int $days): string => (new \DateTimeImmutable($date))
            ->modify(sprintf('%+d days', $days))->format('Y-m-d');
        $days = min(36_500, max(0, (int) $value));
        [$from, $to] = match ($test) {
            FilterTest::NextDays => [$today, $shift($today, $days + 1)],
            FilterTest::LastDays => [$shift($today, -$days), $shift($today, 1)],
            default => [$date = self::day($value, $field, $place), $shift($date, 1)],
        };
        // A day of the calendar is bounded by instants where the field holds instants.
        $bound = fn (string $date): string => $field->kind === FieldKind::Date
            ? $date
            : (new Day($date, $place->zone))->begins->format('Y-m-d\TH:i:s\Z');

        return match ($test) {
            FilterTest::Before => new self($sql, "$sql < ?", [$bound($from)], [["$sql is null", []], ["$sql >= ?", [$bound($from)]]]),
            FilterTest::After => new self($sql, "$sql >= ?", [$bound($to)], [["$sql is null", []], ["$sql < ?", [$bound($to)]]]),
            default => self::between($sql, '?', $bound($from), $bound($to)),
        };
    }

    /** From the first on, and before the second. */
    private static function between(string $sql, string $wanted, string $from, string $to): self
    {
        return new self(
            $sql, "($sql >= $wanted and $sql < $wanted)", [$from, $to],
            [["$sql is null", []], ["$sql < $wanted", [$from]], ["$sql >= $wanted", [$to]]],
        );
    }

    private static function day(string $value, Field $field, Place $place): string
    {
        return (string) FieldNormalizer::into(
            new \Linnet\Core\Record\Field($field->key, $field->name, FieldKind::Date), $value, $place, $field->name,
        );
    }
}
