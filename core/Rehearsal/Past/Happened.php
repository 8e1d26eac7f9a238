<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Past;

use Linnet\Core\Record\Change\Change;

/** Something happened that is in no field: a form was sent, a rule was started by hand. */
final readonly class Happened extends PastEvent
{
    public function __construct(\DateTimeImmutable $at, public Change $change, ?int $personId, public ?int $recordId)
    {
        parent::__construct($at, $personId);
    }

    public function happen(Replay $replay): void
    {
        if ($this->recordId === null || isset($replay->sheet->records[$this->recordId])) {
            $replay->happens($this->change, $this->personId, $this->recordId, false);
        }
    }
}
