<?php

declare(strict_types=1);

namespace App\Audiences;

use App\Models\Field;
use App\Records\FieldColumn;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType as CoreType;
use Linnet\Core\Rule\Condition\FieldTest;
use Linnet\Core\Rule\Condition\Test;
use Linnet\Core\Rule\Same;
use Linnet\Core\Time\Day;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\TimeOfDay;
use Linnet\Core\Time\WeeklyHours;

/** A test of a field, where the database can put it exactly as {@see FieldTest} does; else none. */
final readonly class FieldSql
{
    private const TEXTS = [
        FieldKind::Text, FieldKind::LongText, FieldKind::Email, FieldKind::Link, FieldKind::Phone, FieldKind::Choice,
    ];

    private bool $isPostgres;

    /**
     * @param  string  $type  whose record is looked at: its values are the nearest "values"
     * @param  string  $person  the id of the person, in SQL
     */
    public function __construct(private string $type, private string $person, private Names $names)
    {
        $this->isPostgres = DB::connection()->getDriverName() === 'pgsql';
    }

    public function test(FieldTest $asked): ?Sql
    {
        [$type, $key] = CoreType::split($asked->field);
        $isOwn = $type === CoreType::PERSON && in_array($key, ['first_name', 'last_name', 'email'], true);
        $field = $isOwn ? null : $this->names->field($type, $key);
        $kind = $isOwn ? FieldKind::Text : $field?->kind;
        if ($kind === null || str_contains($key, '.') || ($type !== $this->type && $type !== CoreType::PERSON)) {
            return null;
        }
        $column = $this->column($type, $key, $field);

        return match (true) {
            $asked->test === Test::Empty, $asked->test === Test::Filled => self::isLeading($kind)
                ? null
                : new Sql("($column is ".($asked->test === Test::Empty ? '' : 'not ').'null)'),
            in_array($kind, self::TEXTS, true) => $this->text($asked, $column),
            $kind === FieldKind::Number, $kind === FieldKind::Money => $this->number($asked, $column),
            $kind === FieldKind::YesNo => $this->yesNo($asked, $column),
            $kind === FieldKind::Date => $this->date($asked, $column),
            $kind === FieldKind::DateTime => $this->dateTime($asked, $column),
            $kind === FieldKind::Staff => $this->staff($asked, $column),
            default => null,
        };
    }

    /** Between which values its index is walked, where a span of time is asked for. */
    public function span(FieldTest $asked): ?Sql
    {
        [$type, $key] = CoreType::split($asked->field);
        $field = $type === $this->type && $type !== CoreType::PERSON ? $this->names->field($type, $key) : null;
        if ($field === null || ! in_array($asked->test, [Test::WithinNext, Test::WithinLast, Test::Today], true)) {
            return null;
        }

        return match ($field->kind) {
            FieldKind::Date => $this->date($asked, FieldColumn::sql($field)),
            FieldKind::DateTime => $this->dateTime($asked, FieldColumn::sql($field)),
            default => null,
        };
    }

    /** What it leads to may be gone, which the value does not say. */
    private static function isLeading(FieldKind $kind): bool
    {
        return in_array($kind, [FieldKind::Staff, FieldKind::Person, FieldKind::Record], true);
    }

    /** Its value; null where there is none. */
    private function column(string $type, string $key, ?Field $field): string
    {
        $wrap = fn (string $column): string => DB::connection()->getQueryGrammar()->wrap($column);
        if ($type === CoreType::PERSON) {
            $column = $field === null ? "them.$key" : $wrap("them.fields->$key");
            $column = "(select nullif($column, '') from people as them where them.id = $this->person)";
        } else {
            $column = $wrap("values->$key");
            $column = $field?->kind->isNumeric() === true || $field?->kind === FieldKind::YesNo ? $column : "nullif($column, '')";
        }

        return match (true) {
            $field?->kind->isNumeric() === true => $this->isPostgres ? "(($column)::numeric)" : "cast($column as real)",
            $this->isPostgres && $field?->kind === FieldKind::YesNo => "(case $column when 'true' then 1 when 'false' then 0 end)",
            default => $column,
        };
    }

    private function text(FieldTest $asked, string $column): ?Sql
    {
        $wanted = $asked->test === Test::OneOf ? array_values((array) $asked->value) : [$asked->value];
        foreach ($wanted as $one) {
            // A number is compared by its worth, and letters beyond ASCII are folded by each database in its own way.
            if (! is_string($one) || is_numeric(trim($one)) || preg_match('/[^\x20-\x7e]/', $one) === 1 || trim($one) === '') {
                return null;
            }
        }
        $folded = array_values(array_map(Same::fold(...), array_filter($wanted, is_string(...))));
        $column = "lower(trim($column))";
        $is = fn (): Sql => new Sql("$column in (".implode(', ', array_fill(0, count($folded), '?')).')', $folded);

        return match ($asked->test) {
            Test::Is, Test::OneOf => $folded === [] ? null : $is(),
            Test::IsNot => $is()->not(),
            Test::Contains => new Sql(($this->isPostgres ? "strpos($column, ?)" : "instr($column, ?)").' > 0', $folded),
            Test::BeginsWith => new Sql("substr($column, 1, ".strlen($folded[0] ?? '').') = ?', $folded),
            default => null,
        };
    }

    private function number(FieldTest $asked, string $column): ?Sql
    {
        $isNumber = fn (mixed $value): bool => is_int($value) || is_float($value);
        // Bound as what it is: a fraction that goes as a text is more than any number.
        $bound = $this->isPostgres ? 'cast(? as numeric)' : 'cast(? as real)';
        if ($asked->test === Test::Between && is_array($asked->value)) {
            $ends = array_values(array_filter($asked->value, $isNumber));

            return count($ends) !== 2 ? null : new Sql("$column >= $bound and $column <= $bound", [(float) min($ends), (float) max($ends)]);
        }
        if (! $isNumber($asked->value)) {
            return null;
        }
        $sign = match ($asked->test) {
            Test::Is => '=', Test::IsNot => '<>', Test::More => '>', Test::Less => '<', default => null,
        };

        return $sign === null ? null : new Sql("$column $sign $bound", [(float) $asked->value]);
    }

    private function yesNo(FieldTest $asked, string $column): ?Sql
    {
        return is_bool($asked->value) && ($asked->test === Test::Is || $asked->test === Test::IsNot)
            ? new Sql("$column = ?", [(int) ($asked->value === ($asked->test === Test::Is))])
            : null;
    }

    private function date(FieldTest $asked, string $column): ?Sql
    {
        $today = $this->names->now->setTimezone($this->names->zone);
        $shifted = fn (int $days): string => $today->modify(sprintf('%+d days', $days))->format('Y-m-d');
        $days = is_int($asked->value) ? $asked->value : 0;
        $wanted = is_string($asked->value) && Moment::parse($asked->value) === null ? Day::parse($asked->value)?->date : null;

        return match ($asked->test) {
            Test::Before => $wanted === null ? null : new Sql("$column < ?", [$wanted]),
            Test::After => $wanted === null ? null : new Sql("$column > ?", [$wanted]),
            Test::WithinNext => new Sql("$column >= ? and $column <= ?", [$shifted(0), $shifted($days)]),
            Test::WithinLast => new Sql("$column >= ? and $column <= ?", [$shifted(-$days), $shifted(0)]),
            Test::Today => new Sql("$column = ?", [$shifted(0)]),
            Test::Weekday => $this->weekday($asked->value, $column),
            default => null,
        };
    }

    private function weekday(mixed $wanted, string $column): Sql
    {
        // Both databases count them from Sunday.
        $days = array_map(
            fn (mixed $day): int => (int) (array_search($day, WeeklyHours::DAYS, true) + 1) % 7,
            array_values(array_filter((array) $wanted, fn (mixed $day): bool => in_array($day, WeeklyHours::DAYS, true))),
        );
        $of = $this->isPostgres ? "cast(extract(dow from ($column)::date) as integer)" : "cast(strftime('%w', $column) as integer)";

        return new Sql("$of in (".implode(', ', $days === [] ? ['null'] : $days).')');
    }

    private function dateTime(FieldTest $asked, string $column): ?Sql
    {
        $now = $this->names->now->setTimezone($this->names->zone);
        $days = is_int($asked->value) ? $asked->value : 0;
        $at = fn (\DateTimeImmutable $moment): string => $moment->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z');
        $day = is_string($asked->value) && Moment::parse($asked->value) === null ? Day::parse($asked->value) : null;
        $wanted = is_string($asked->value) ? Moment::parse($asked->value)?->at : null;
        $wanted ??= $day === null ? null : TimeOfDay::parse('00:00')?->on($day->date, $this->names->zone);
        $between = fn (int $from, int $to): Sql => new Sql(
            "$column >= ? and $column <= ?",
            [$at($now->modify(sprintf('%+d days', $from))), $at($now->modify(sprintf('%+d days', $to)))],
        );

        return match ($asked->test) {
            Test::Before => $wanted === null ? null : new Sql("$column < ?", [$at($wanted)]),
            Test::After => $wanted === null ? null : new Sql("$column > ?", [$at($wanted)]),
            Test::WithinNext => $between(0, $days),
            Test::WithinLast => $between(-$days, 0),
            Test::Today => new Sql(
                "$column >= ? and $column < ?",
                [
                    $at(new \DateTimeImmutable($now->format('Y-m-d'), $this->names->zone)),
                    $at(new \DateTimeImmutable($now->modify('+1 day')->format('Y-m-d'), $this->names->zone)),
                ],
            ),
            default => null,
        };
    }

    private function staff(FieldTest $asked, string $column): ?Sql
    {
        $many = $asked->test === Test::OneOf;
        if (! $many && $asked->test !== Test::Is && $asked->test !== Test::IsNot) {
            return null;
        }
        $ids = array_merge(...array_map(
            fn (mixed $one): array => $this->names->staff($one, ! $many), $many ? array_values((array) $asked->value) : [$asked->value],
        ));
        // Somebody who is there no more is nobody.
        $known = "(select staff.id from staff where staff.id = $column)";
        $is = new Sql("$known in (".implode(', ', $ids === [] ? [-1] : $ids).')');

        return $asked->test === Test::IsNot ? $is->not() : $is;
    }
}
