<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Grammar;

use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\Slot\OneOf;
use Linnet\Core\Prose\Slot\Quoted;
use Linnet\Core\Prose\Vocabulary\FieldWords;
use Linnet\Core\Prose\Vocabulary\TypeWords;
use Linnet\Core\Prose\Vocabulary\Vocabulary;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType;

/** How fields are named in the sentences of a rule about a type. */
final class Fields
{
    /** What can be asked of a member of staff. */
    private const STAFF = [
        'name' => 'name', 'first_name' => 'first name', 'email' => 'email address', 'number' => 'number',
        'texts_allowed' => 'own switch for texts',
    ];

    /** @var array<string, Phrase> */
    private array $made = [];

    public function __construct(private readonly Vocabulary $words)
    {
    }

    /** Any field, as what a condition is about: "its state", "their town". */
    public function any(string $type, string $key = 'field'): Phrase
    {
        return $this->made["any $type $key"] ??= $this->phrase(
            $key,
            OneOf::distinct([...$this->own($type, 'its'), ...$this->around()]),
            OneOf::distinct([
                ...$this->own($type, 'the'),
                ...$this->of($this->words->type($type), ''),
                ...$this->labels($type, 'its'),
                ...$this->labels($type, ''),
            ]),
        );
    }

    /** A date, as what is waited for: "the start". */
    public function dates(string $type, string $key, bool $daysOnly = false): Phrase
    {
        $which = fn (FieldWords $field): bool => $field->isDate() && (! $daysOnly || $field->kind === FieldKind::Date);

        return $this->made["dates $type $key $daysOnly"] ??= $this->phrase(
            $key,
            OneOf::distinct($this->own($type, 'the', $which)),
            OneOf::distinct([...$this->own($type, 'its', $which), ...$this->of($this->words->type($type), '', $which)]),
        );
    }

    /** What can be set: "the state", "their town". */
    public function settable(string $type, string $key): Phrase
    {
        return $this->made["set $type $key"] ??= $this->phrase(
            $key,
            OneOf::distinct($this->own($type, 'the')),
            OneOf::distinct([
                ...$this->own($type, 'its'),
                ...$this->of($this->words->type($type), ''),
                ...$this->labels($type, 'the'),
                ...$this->labels($type, ''),
            ]),
        );
    }

    /** A field of a type alone, without an article: "whose start". */
    public function bare(string $type, string $key = 'field'): Phrase
    {
        return $this->made["bare $type $key"] ??= $this->phrase(
            $key,
            OneOf::distinct($this->of($this->words->type($type), '')),
            OneOf::distinct($this->labels($type, '')),
        );
    }

    /**
     * Of all types, with the type: "the start of a booking", "somebody's town". Under "path".
     *
     * @param  list<FieldKind>|null  $kinds  null for all
     */
    public function everywhere(?array $kinds = null): Phrase
    {
        $which = fn (FieldWords $field): bool => $kinds === null || in_array($field->kind, $kinds, true);

        return $this->made['everywhere '.implode(' ', array_column($kinds ?? [], 'value'))] ??= $this->phrase(
            'path',
            OneOf::distinct($this->ofAll(fn (FieldWords $field): array => [$field->noun], $which)),
            OneOf::distinct([...$this->ofAll(fn (FieldWords $field): array => $field->others(), $which), ...$this->ofPeople($which)]),
        );
    }

    /** A field that holds a member of staff, as somebody: "the booking's instructor". */
    public function staff(string $type, string $key): Phrase
    {
        return $this->made["staff $type $key"] ??= $this->somebody($type, $key, FieldKind::Staff, 'whoever is in the field');
    }

    /** A field that holds a person: "the booking's host". */
    public function people(string $type, string $key): Phrase
    {
        return $this->made["people $type $key"] ??= $this->somebody($type, $key, FieldKind::Person, 'the person in the field');
    }

    private function somebody(string $type, string $key, FieldKind $kind, string $else): Phrase
    {
        $words = $this->words->type($type);
        $of = fn (string $noun): array => array_values(
            array_map(
                fn (FieldWords $field): array => [sprintf($noun, $words->noun).$field->noun, self::path($words, $field->key)],
                array_filter($words->fields, fn (FieldWords $field): bool => $field->kind === $kind),
            ),
        );

        return Make::any(
            Make::slot($key, new OneOf('field', OneOf::distinct($of("the %s's ")))),
            // "The guest" alone is the person the rule is about.
            ...$kind === FieldKind::Staff ? [Make::also(Make::slot($key, new OneOf('field', OneOf::distinct($of('the ')))))] : [],
            ...[Make::last($else, Make::slot($key, new Quoted))],
        );
    }

    /**
     * @param  list<array{string, string}>  $names
     * @param  list<array{string, string}>  $others
     */
    private function phrase(string $key, array $names, array $others): Phrase
    {
        return Make::any(
            Make::slot($key, new OneOf('field', $names)),
            Make::also(Make::slot($key, new OneOf('field', $others))),
            Make::last('the field', Make::slot($key, new Quoted)),
        );
    }

    /**
     * Of the record, if the rule is about one, and of its person.
     *
     * @param  (\Closure(FieldWords): bool)|null  $which
     * @return list<array{string, string}>
     */
    private function own(string $type, string $article, ?\Closure $which = null): array
    {
        return [
            ...$type === RecordType::PERSON ? [] : $this->of($this->words->type($type), "$article ", $which),
            ...$this->of($this->words->type(RecordType::PERSON), 'their ', $which),
        ];
    }

    /** @return list<array{string, string}> */
    private function labels(string $type, string $article): array
    {
        $words = $this->words->type($type);

        return array_merge(
            ...array_map(
                fn (FieldWords $field): array => array_map(
                    fn (string $other): array => [trim("$article $other"), self::path($words, $field->key)],
                    $field->others(),
                ),
                array_values($words->fields),
            ),
            ...[[]],
        );
    }

    /**
     * @param  (\Closure(FieldWords): bool)|null  $which
     * @return list<array{string, string}>
     */
    private function of(TypeWords $words, string $article, ?\Closure $which = null): array
    {
        $names = [];
        foreach (array_filter($words->fields, $which ?? fn (): bool => true) as $field) {
            $names[] = [$article.$field->noun, self::path($words, $field->key)];
            foreach ($which === null && $field->kind === FieldKind::Staff ? self::STAFF : [] as $part => $noun) {
                $names[] = ["$article$field->noun's $noun", self::path($words, $field->key).".$part"];
            }
        }

        return $names;
    }

    /** @return list<array{string, string}> */
    private function around(): array
    {
        return [
            ...array_map(
                fn (string $part, string $noun): array => ["the owner's $noun", "owner.$part"],
                array_keys(self::STAFF),
                self::STAFF,
            ),
            ['the rest of what they wrote', 'remark'],
            ['the name of the line', 'line.name'],
        ];
    }

    /**
     * @param  \Closure(FieldWords): list<string>  $nouns
     * @param  \Closure(FieldWords): bool  $which
     * @return list<array{string, string}>
     */
    private function ofAll(\Closure $nouns, \Closure $which): array
    {
        $names = [];
        foreach ($this->words->types as $type) {
            foreach (array_filter($type->fields, $which) as $field) {
                foreach ($nouns($field) as $noun) {
                    $names[] = [$type->isPeople() ? "somebody's $noun" : "the $noun of ".Make::a($type->noun), "$type->key.$field->key"];
                }
            }
        }

        return $names;
    }

    /**
     * "the birthday of a person", for "somebody's birthday".
     *
     * @param  \Closure(FieldWords): bool  $which
     * @return list<array{string, string}>
     */
    private function ofPeople(\Closure $which): array
    {
        $people = $this->words->type(RecordType::PERSON);

        return array_values(
            array_map(
                fn (FieldWords $field): array => ["the $field->noun of a person", "$people->key.$field->key"],
                array_filter($people->fields, $which),
            ),
        );
    }

    /** The fields of people stand by themselves. */
    private static function path(TypeWords $words, string $key): string
    {
        return $words->isPeople() ? $key : "$words->key.$key";
    }
}
