<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Vocabulary;

/** What a record type and its fields are called in sentences. */
final readonly class TypeWords
{
    /**
     * @param  string  $noun  one of them: "booking"
     * @param  string  $nouns  several: "bookings"
     * @param  string  $person  whose it is: "guest"
     * @param  array<string, FieldWords>  $fields  by key
     * @param  string|null  $owner  the field that says whose it is among the staff
     */
    public function __construct(
        public string $key,
        public string $noun,
        public string $nouns,
        public string $person,
        public array $fields,
        public ?string $owner = null,
    ) {
    }

    public function isPeople(): bool
    {
        return $this->key === \Linnet\Core\Record\RecordType::PERSON;
    }
}
