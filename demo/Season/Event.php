<?php

declare(strict_types=1);

namespace Demo\Season;

/** Something that happened to a record, as the system that saw it tells it. */
final readonly class Event
{
    /**
     * @param  string  $type  the record type's key
     * @param  string  $id  the other system's name for the record
     * @param  array<string, scalar>  $fields  in words, by key
     */
    public function __construct(
        public \DateTimeImmutable $at,
        public string $type,
        public string $id,
        public string $number,
        public array $fields,
    ) {
    }
}
