<?php

declare(strict_types=1);

namespace App\Pages\Records;

/** A record as a row of a table. */
final readonly class RecordRow
{
    /**
     * @param  string|null  $person  what they are called; null where nobody is known
     * @param  list<string>  $cells  in the order of the columns
     */
    public function __construct(
        public int $id,
        public string $called,
        public ?string $person,
        public ?int $personId,
        public array $cells,
        public \DateTimeImmutable $changedAt,
    ) {
    }
}
