<?php

declare(strict_types=1);

namespace Linnet\Core\Starter;

use Linnet\Core\Prose\Language;
use Linnet\Core\Prose\ProseError;
use Linnet\Core\Prose\RuleReader;
use Linnet\Core\Prose\Vocabulary\Vocabulary;
use Linnet\Core\Record\Field;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Rule;

/**
 * A rule to begin with, about parts that somebody's own record types and fields are to play.
 *
 * Its file is the rule's text with lines before it: what it is for, what it needs besides, and its parts.
 *
 *     For: Somebody rings and nobody can answer.
 *     Needs: a list of codes called "welcome".
 *     Type: call, calls, caller
 *     Field: outcome, choice, stage, missed | answered = missed
 *     Person: birthday, date, start
 */
final readonly class Starter
{
    /** The line its texts leave from, unless they say otherwise. */
    public const LINE = 'desk';

    /** The parts a field can play for its type. */
    public const ROLES = ['title', 'person', 'start', 'end', 'stage', 'owner'];

    /**
     * @param  array<string, RecordType>  $types  its parts, by key; people among them
     * @param  array<string, string>  $roles  what a field is for its type, by path
     * @param  array<string, string>  $examples  made-up values, by path
     */
    private function __construct(
        public string $key,
        public Rule $rule,
        public string $for,
        public string $needs,
        public array $types,
        public array $roles,
        public array $examples,
        public Language $language,
    ) {
    }

    /**
     * @param  string  $text  of its file
     *
     * @throws \DomainException with the place, if it cannot be read
     */
    public static function read(string $key, string $text): self
    {
        [$head, $body] = [...explode("\n\n", str_replace("\r\n", "\n", $text), 2), ''];
        $said = ['for' => '', 'needs' => ''];
        $roles = $examples = $people = $kept = [];
        /** @var list<array{string, list<string>}> $types */
        $types = [];
        foreach (explode("\n", $head) as $line) {
            [$what, $value] = [...explode(':', $line, 2), ''];
            $value = trim($value);
            $name = strtolower(trim($what));
            if (isset($said[$name])) {
                $said[$name] = $value;
            } elseif ($name === 'type') {
                $types[] = [$value, []];
            } elseif ($name === 'field' && $types !== []) {
                [$names, $fields] = array_pop($types);
                $types[] = [$names, [...$fields, $value]];
            } elseif ($name === 'person') {
                $people[] = $value;
            } else {
                $kept[] = $line;
            }
        }
        $made = [];
        foreach ([...$types, ['person, people, person', $people]] as [$names, $fields]) {
            $type = self::type($names, $fields, $roles, $examples);
            $made[$type->key] = $type;
        }
        $language = new Language(new Vocabulary(Vocabulary::types($made), [self::LINE => 'desk'], forms: ['hire' => 'hire']));
        $read = (new RuleReader($language))->read(implode("\n", $kept)."\n\n".$body);
        if ($read->rule === null) {
            throw new \DomainException(
                "The starter $key cannot be read: ".
                    implode(
                        '; ',
                        array_map(
                            fn (ProseError $e): string => "line $e->line, $e->column: {$e->reason->code} ".json_encode($e->reason->with),
                            $read->errors,
                        ),
                    ),
            );
        }

        return new self($key, $read->rule, $said['for'], $said['needs'], $made, $roles, $examples, $language);
    }

    /** @return list<RecordType> the types whose parts are to be played, people only where it asks for a field of theirs */
    public function parts(): array
    {
        return array_values(
            array_filter($this->types, fn (RecordType $type): bool => $type->key !== RecordType::PERSON || $type->fields !== []),
        );
    }

    /**
     * @param  list<string>  $fields  "start, date_time, start, booked | came = booked"
     * @param  array<string, string>  $roles
     * @param  array<string, string>  $examples
     */
    private static function type(string $names, array $fields, array &$roles, array &$examples): RecordType
    {
        [$name, $plural, $person] = [...array_map(trim(...), explode(',', $names)), '', ''];
        $key = str_replace(' ', '_', $name);
        $made = [];
        foreach ($fields as $field) {
            [$description, $example] = [...array_map(trim(...), explode('=', $field, 2)), ''];
            [$called, $kind, $role, $options] = [...array_map(trim(...), explode(',', $description)), '', '', ''];
            $fieldKey = str_replace(' ', '_', $called);
            $made[$fieldKey] = new Field(
                $fieldKey, ucfirst($called), FieldKind::from($kind), $options === '' ? [] : array_map(trim(...), explode('|', $options)),
            );
            $path = "$key.$fieldKey";
            if ($role !== '') {
                $roles[$path] = $role;
            }
            $examples[$path] = $example !== '' ? $example : ($made[$fieldKey]->options[0] ?? '');
        }

        return new RecordType($key, ucfirst($name), $made, plural: $plural, personNoun: $person);
    }
}
