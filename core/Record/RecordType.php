<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

/** What a kind of record is made of. */
final readonly class RecordType
{
    /** The type whose fields are those of people themselves. */
    public const PERSON = 'person';

    /** @var array<string, string> what it and its fields are called in a sentence, by path; a person's own also without their type */
    public array $labels;

    /**
     * @param  array<string, Field>  $fields  by key
     * @param  string|null  $personField  the field that leads to the person
     * @param  string|null  $startField  the field that says when it happens
     * @param  string|null  $plural  what several are called; null for the name with an s
     * @param  string|null  $personNoun  what its person is in a sentence: "guest"; null for "person"
     */
    public function __construct(
        public string $key,
        public string $name,
        public array $fields,
        public ?string $personField = null,
        public ?string $startField = null,
        public ?string $plural = null,
        public ?string $personNoun = null,
    ) {
        $labels = $key === self::PERSON ? [] : [$key => mb_strtolower($name, 'UTF-8')];
        foreach ($fields as $field) {
            $label = mb_strtolower($field->name, 'UTF-8');
            $labels += ["$key.$field->key" => $label] + ($key === self::PERSON ? [$field->key => $label] : []);
        }
        $this->labels = $labels;
    }

    /** What a field of a type is called by: booking.starts_at; a person's without its type. */
    public static function path(string $type, string $field): string
    {
        return $type === self::PERSON ? $field : "$type.$field";
    }

    /** @return array{string, string} the type and the field a path such as booking.starts_at or first_name leads to */
    public static function split(string $path): array
    {
        $dot = strpos($path, '.');

        return $dot === false ? [self::PERSON, $path] : [substr($path, 0, $dot), substr($path, $dot + 1)];
    }

    /** The field that says whose it is among the staff: the one called owner, else the first that holds a member of staff. */
    public function ownerField(): ?string
    {
        $staff = array_filter($this->fields, fn (Field $field): bool => $field->kind === FieldKind::Staff);

        return isset($staff['owner']) ? 'owner' : array_key_first($staff);
    }
}
