<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Vocabulary;

use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType;

/** The names that sentences may use: what the business calls its own things. */
final readonly class Vocabulary
{
    /** Those of people that every business has. */
    public const PERSON = [
        'first_name' => ['first name', FieldKind::Text],
        'last_name' => ['last name', FieldKind::Text],
        'email' => ['email address', FieldKind::Email],
    ];

    /**
     * @param  array<string, TypeWords>  $types  by key, people among them
     * @param  array<string, string>  $lines  names by key
     * @param  array<string, string>  $staff  names by email
     * @param  array<string, string>  $rules  names by key
     * @param  array<string, string>  $forms  names by key
     * @param  array<string, string>  $pools  names of shared wordings by key
     * @param  list<string>  $tags
     * @param  list<string>  $lists
     * @param  string  $currency  ISO 4217
     * @param  array<string, string>  $audiences  the types they are made of, by name
     * @param  array<string, string>  $linePools  the names under which lines stand in for one another
     */
    public function __construct(
        public array $types,
        public array $lines = [],
        public array $staff = [],
        public array $rules = [],
        public array $forms = [],
        public array $pools = [],
        public array $tags = [],
        public array $lists = [],
        public string $currency = 'GBP',
        public array $audiences = [],
        public array $linePools = [],
    ) {
    }

    /**
     * Types and fields by what they are called in sentences.
     *
     * @param  iterable<RecordType>  $types
     * @return array<string, TypeWords>
     */
    public static function types(iterable $types): array
    {
        $words = [];
        foreach ($types as $type) {
            $fields =
                $type->key === RecordType::PERSON
                    ? array_map(
                        fn (string $key, array $field): FieldWords => new FieldWords($key, $field[0], $field[0], $field[1]),
                        array_keys(self::PERSON),
                        self::PERSON,
                    )
                    : [];
            foreach ($type->fields as $field) {
                $fields[] = new FieldWords($field->key, $field->noun(), $field->name, $field->kind, $field->options);
            }
            $noun = self::lower($type->name);
            $words[$type->key] = new TypeWords(
                $type->key, $noun, $type->plural === null ? "{$noun}s" : self::lower($type->plural), $type->personNoun ?? 'person',
                array_column($fields, null, 'key'), $type->ownerField(),
            );
        }

        return $words;
    }

    public function type(string $key): TypeWords
    {
        return $this->types[$key] ?? new TypeWords($key, str_replace('_', ' ', $key), str_replace('_', ' ', $key).'s', 'person', []);
    }

    /**
     * The types of records whose noun is that of no other.
     *
     * @return list<TypeWords>
     */
    public function records(): array
    {
        $times = array_count_values(array_map(fn (TypeWords $type): string => mb_strtolower($type->noun, 'UTF-8'), $this->types));

        return array_values(
            array_filter(
                $this->types,
                fn (TypeWords $type): bool => ! $type->isPeople() && $times[mb_strtolower($type->noun, 'UTF-8')] === 1,
            ),
        );
    }

    /** The field a path such as booking.starts_at or first_name leads to. */
    public function field(string $path): ?FieldWords
    {
        [$type, $key] = RecordType::split($path);

        return $this->types[$type]->fields[$key] ?? null;
    }

    /** A name as it stands within a sentence: an abbreviation stays as it is. */
    private static function lower(string $name): string
    {
        return preg_match('/^\p{Lu}\p{Lu}/u', $name) === 1
            ? $name
            : mb_strtolower(mb_substr($name, 0, 1, 'UTF-8'), 'UTF-8').mb_substr($name, 1, null, 'UTF-8');
    }
}
