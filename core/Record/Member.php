<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

use Linnet\Core\Time\WeeklyHours;

/** One of the staff, as far as telling them something asks: when they are there, and who stands in for them. */
final readonly class Member
{
    /**
     * @param  WeeklyHours|null  $hours  by the business's clock; null for always
     * @param  \DateTimeImmutable|null  $awayUntil  when they are back
     * @param  int|null  $standIn  who is told in their place while they are not there
     */
    public function __construct(
        public int $id,
        public ?WeeklyHours $hours = null,
        public ?\DateTimeImmutable $awayUntil = null,
        public ?int $standIn = null,
    ) {
    }

    /** From when on they can be told: the moment itself where they are there; null where their hours never open. */
    public function reachableFrom(\DateTimeImmutable $at, \DateTimeZone $zone): ?\DateTimeImmutable
    {
        $back = $this->awayUntil !== null && $this->awayUntil > $at ? $this->awayUntil : $at;

        return $this->hours === null ? $back : $this->hours->nextOpen($back, $zone);
    }
}
