<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Past;

/** One of the staff wrote to somebody: that line was used with them last, and rules stop or stand aside as they say. */
final readonly class StaffWrote extends PastEvent
{
    /** @param  string  $line  its key */
    public function __construct(\DateTimeImmutable $at, int $personId, public string $line, public string $staff)
    {
        parent::__construct($at, $personId);
    }

    public function happen(Replay $replay): void
    {
        $replay->sheet->history->lines[(int) $this->personId][$this->line] = $this->at;
        $replay->engine->conductor->wrote((int) $this->personId, $this->staff);
    }
}
