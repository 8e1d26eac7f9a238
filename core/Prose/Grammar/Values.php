<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Grammar;

use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\Phrase\Several;
use Linnet\Core\Prose\Slot\Amount;
use Linnet\Core\Prose\Slot\DaySlot;
use Linnet\Core\Prose\Slot\OneOf;
use Linnet\Core\Prose\Slot\Quoted;
use Linnet\Core\Prose\Slot\Whole;
use Linnet\Core\Prose\Vocabulary\FieldWords;
use Linnet\Core\Prose\Vocabulary\Vocabulary;
use Linnet\Core\Record\FieldKind;

/** What a field can be compared with or set to, and what it can be asked. */
final class Values
{
    public const WEEKDAYS = [
        'Monday' => 'mon', 'Tuesday' => 'tue', 'Wednesday' => 'wed', 'Thursday' => 'thu', 'Friday' => 'fri', 'Saturday' => 'sat',
        'Sunday' => 'sun',
    ];

    /** @var array<string, Phrase> */
    private array $made = [];

    public function __construct(private readonly Vocabulary $words)
    {
    }

    /** A value under a key, as a field's kind has it. */
    public function of(?FieldWords $field, string $path, string $key): Phrase
    {
        return $this->made["value $path $key"] ??= Make::any(
            ...$this->own($field, $path, $key),
            ...[
                Make::last(Make::slot($key, new Quoted)),
                Make::last(Make::slot($key, new Amount)),
                Make::last(Make::slot($key, OneOf::words('yes or no', ['true' => true, 'false' => false]))),
            ],
        );
    }

    /** The tests of a field: "test" and "value". */
    public function tests(?FieldWords $field, string $path): Phrase
    {
        return $this->made["tests $path"] ??= $this->makeTests($field, $path);
    }

    /** For a number of things, said as "has more than 3 places": "test" and "value" and the field's noun between. */
    public function counts(FieldWords $field): Phrase
    {
        $compared = fn (string $test, string ...$words): Phrase => Make::seq(
            Make::means(['test' => $test]), Make::turn($words[0], 'test'), Make::slot('value', new Amount), $field->noun,
        );

        return $this->made["counts $field->noun"] ??= Make::any(
            $compared('more', 'more than'), $compared('less', 'less than'),
            Make::seq(Make::means(['test' => 'between']), Make::turn('between', 'test'), self::two(new Amount), $field->noun),
        );
    }

    public static function weekdays(string $key): Phrase
    {
        $or = Make::seq('or');

        return new Several(
            $key, Make::slot(Several::SELF, OneOf::words('weekday', self::WEEKDAYS)), Make::seq(Make::any(',', Make::also('or'))), $or, 1,
            7,
        );
    }

    /** @return list<Phrase> */
    private function own(?FieldWords $field, string $path, string $key): array
    {
        if (str_ends_with($path, '.texts_allowed')) {
            return [
                Make::slot($key, OneOf::words('yes or no', ['on' => true, 'off' => false])),
                Make::also(Make::slot($key, OneOf::words('yes or no', ['yes' => true, 'no' => false]))),
            ];
        }

        return match ($field?->kind) {
            FieldKind::Choice => [Make::slot($key, OneOf::names('choice', array_combine($field->options, $field->options)))],
            FieldKind::YesNo => [Make::slot($key, OneOf::words('yes or no', ['yes' => true, 'no' => false]))],
            FieldKind::Staff => [Make::slot($key, OneOf::names('staff', $this->words->staff))],
            FieldKind::Line => [Make::slot($key, OneOf::names('line', $this->words->lines, 'the'))],
            FieldKind::Number => [Make::slot($key, new Amount)],
            FieldKind::Money => [Make::slot($key, new Amount($this->words->currency))],
            FieldKind::Date, FieldKind::DateTime => [Make::slot($key, new DaySlot)],
            default => [Make::slot($key, new Quoted)],
        };
    }

    private function makeTests(?FieldWords $field, string $path): Phrase
    {
        $kind = $field?->kind;
        $test = fn (string $test, string $words, ?Phrase $value = null, string ...$others): Phrase => Make::seq(
            Make::means(['test' => $test]),
            $others === []
                ? Make::turn($words, 'test')
                : Make::any(Make::turn($words, 'test'), ...array_map(fn (string $other): Phrase => Make::also($other), $others)),
            ...($value === null ? [] : [$value]),
        );
        $amount = new Amount($kind === FieldKind::Money ? $this->words->currency : null);
        $or = Make::seq('or');
        $item = $this->of($field, $path, Several::SELF);
        $date = Make::any(Make::slot('value', new DaySlot), Make::last(Make::slot('value', new Quoted)));
        $equal = [
            $test('is', 'is', $this->of($field, $path, 'value'), 'is still'),
            $test('is_not', 'is not', $this->of($field, $path, 'value')),
        ];
        $oneOf = [
            $test('one_of', 'is', new Several('value', $item, Make::seq(','), $or, 2), 'is still'),
            Make::last($test('one_of', 'is one of', new Several('value', $item, Make::seq(','), $or))),
        ];
        $empty = [
            $test('empty', 'is empty', null, 'has no value', 'is not filled in'),
            $test('filled', 'is filled in', null, 'has a value', 'is not empty'),
        ];
        $compared = [
            $test('more', 'is more than', Make::slot('value', $amount), 'is over', 'is above'),
            $test('less', 'is less than', Make::slot('value', $amount), 'is under', 'is below'),
            $test('between', 'is between', self::two($amount)),
        ];
        $parts = [
            $test('contains', 'contains', Make::slot('value', new Quoted)),
            $test('begins_with', 'begins with', Make::slot('value', new Quoted), 'starts with'),
        ];
        $days = fn (): Phrase => Make::slot('value', new Whole(0, 3650, 'day', 'days', true));
        $dates = [
            $test('within_next', 'is within the next', $days(), 'is within', 'is in the next'),
            $test('within_last', 'is within the last', $days(), 'is in the last'), $test('before', 'is before', $date),
            $test('after', 'is after', $date), $test('today', 'is today'),
            $test('weekday', 'is on a', self::weekdays('value'), 'falls on a', 'is on'),
        ];
        $offered = match (true) {
            $kind === FieldKind::Date, $kind === FieldKind::DateTime => [...$dates, ...$empty, ...$equal],
            $kind === FieldKind::Number, $kind === FieldKind::Money => [...$compared, ...$equal, ...$empty],
            $kind === FieldKind::Choice, $kind === FieldKind::Line, $kind === FieldKind::Staff => [...$equal, ...$oneOf, ...$empty],
            $kind === FieldKind::YesNo => [...$equal, ...$empty],
            default => [...$equal, ...$parts, ...$empty],
        };
        $rest = array_udiff(
            [...$equal, ...$oneOf, ...$empty, ...$compared, ...$parts, ...$dates],
            $offered,
            fn (Phrase $a, Phrase $b): int => spl_object_id($a) <=> spl_object_id($b),
        );

        return Make::any(...$offered, ...array_map(fn (Phrase $one): Phrase => Make::last($one), array_values($rest)));
    }

    /** When something happens, behind the verb that its date has: "that starts within 7 days". */
    public function when(): Phrase
    {
        $test = fn (string $test, Phrase $behind, string ...$words): Phrase => Make::seq(
            Make::means(['test' => $test]),
            Make::any(...array_map(fn (string $one): Phrase => Make::turn($one), $words)),
            $behind,
        );
        $days = Make::slot('value', new Whole(0, 3650, 'day', 'days', true));
        $date = Make::slot('value', new DaySlot);

        return Make::any(
            $test('within_next', $days, 'within the next', 'within', 'in the next'),
            $test('within_last', $days, 'within the last', 'in the last'), $test('before', $date, 'before'), $test('after', $date, 'after'),
            Make::seq(Make::means(['test' => 'today']), Make::turn('today')), $test('weekday', self::weekdays('value'), 'on a', 'on'),
        );
    }

    private static function two(Amount $amount): Phrase
    {
        $and = Make::seq('and');

        return new Several('value', Make::slot(Several::SELF, $amount), $and, $and, 2, 2);
    }
}
