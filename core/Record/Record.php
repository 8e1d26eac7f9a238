<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

/** A business thing that belongs to a person. */
final readonly class Record
{
    /** @param  array<string, string|int|float|bool|null>  $values  by field key, as they are kept */
    public function __construct(
        public int $id,
        public RecordType $type,
        public array $values,
        public ?int $personId,
        public ?\DateTimeImmutable $changedAt = null,
    ) {
    }
}
