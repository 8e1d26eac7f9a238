<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Past;

/** One of the staff let a rule go on about somebody, where it stood aside. */
final readonly class GivenBack extends PastEvent
{
    public function __construct(\DateTimeImmutable $at, int $personId, public string $ruleId, public string $staff)
    {
        parent::__construct($at, $personId);
    }

    public function happen(Replay $replay): void
    {
        foreach ($replay->sheet->live[(int) $this->personId] ?? [] as $run) {
            $run->ruleId === $this->ruleId && $replay->engine->conductor->giveBack($run, $this->staff);
        }
    }
}
