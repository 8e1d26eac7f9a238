<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

/** Someone who can be texted. */
final readonly class Person
{
    /**
     * @param  array<string, mixed>  $own  their fields by key, first_name, last_name and email among them
     * @param  list<PersonNumber>  $numbers  the preferred one first
     * @param  string|null  $zone  set by hand
     * @param  list<string>  $tags
     * @param  list<string>  $lists
     * @param  string|null  $line  the key of the line their conversation is locked to
     * @param  PersonNumber|null  $newest  the number that became known last
     */
    public function __construct(
        public int $id,
        public string $called,
        public array $own,
        public array $numbers = [],
        public ?string $zone = null,
        public ?string $locale = null,
        public array $tags = [],
        public array $lists = [],
        public ?PersonNumber $newest = null,
        public ?string $line = null,
    ) {
    }

    public function number(?string $e164): ?PersonNumber
    {
        foreach ($this->numbers as $number) {
            if ($number->e164 === $e164) {
                return $number;
            }
        }

        return null;
    }
}
