<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

use Linnet\Core\Time\Day;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\Zone;

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

    /** When it happens, by the field its type names; null where that tells nothing. A day with no time begins with its midnight. */
    public function startsAt(string $zone): ?\DateTimeImmutable
    {
        $value = $this->type->startField === null ? null : $this->values[$this->type->startField] ?? null;
        if (! is_string($value)) {
            return null;
        }
        $day = Day::parse($value);

        return $day === null ? Moment::parse($value)?->at : new \DateTimeImmutable($day->date, Zone::get($zone));
    }
}
