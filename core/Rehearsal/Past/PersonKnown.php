<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Past;

use Linnet\Core\Record\Change\PersonAdded;
use Linnet\Core\Record\Person;

/** Somebody became known, as they were then. */
final readonly class PersonKnown extends PastEvent
{
    /** @param  bool  $silent  rules were not to act on it */
    public function __construct(\DateTimeImmutable $at, public Person $person, public bool $silent)
    {
        parent::__construct($at, $person->id);
    }

    public function happen(Replay $replay): void
    {
        $replay->sheet->people[$this->person->id] = $this->person;
        $replay->happens(new PersonAdded, $this->person->id, null, $this->silent);
    }
}
