<?php

declare(strict_types=1);

namespace App\Rules;

use App\Models\Person;
use App\Models\Record;
use App\Records\RecordSentence;
use Linnet\Core\Context\Subject;

/** A real record or person a rule is rehearsed on. */
final readonly class Sample
{
    private function __construct(
        public int $id,
        public Person $person,
        public ?Record $record,
        public \DateTimeImmutable $at,
        public string $says,
        public string $noun,
    ) {
    }

    public static function record(Record $record, string $zone): self
    {
        return new self(
            $record->id, $record->person ?? throw new \LogicException('asked for with a person'), $record,
            $record->added_at->toDateTimeImmutable(), $record->person->name().', '.RecordSentence::briefly($record, $zone),
            mb_strtolower($record->type->name, 'UTF-8'),
        );
    }

    public static function person(Person $person, \DateTimeImmutable $now): self
    {
        return new self($person->id, $person, null, $now, $person->name(), 'now');
    }

    /** The same, looked at from another moment. */
    public function at(\DateTimeImmutable $at): self
    {
        return new self($this->id, $this->person, $this->record, $at, $this->says, $this->noun);
    }

    public function subject(?\DateTimeImmutable $startsAt = null): Subject
    {
        return new Subject($this->person->id, $this->record?->id, $startsAt);
    }
}
