<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Past;

/** Something that really happened, as it was kept. */
abstract readonly class PastEvent
{
    /** @param  int|null  $personId  whom it is about, where that is known */
    public function __construct(public \DateTimeImmutable $at, public ?int $personId)
    {
    }

    abstract public function happen(Replay $replay): void;
}
