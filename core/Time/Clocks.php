<?php

declare(strict_types=1);

namespace Linnet\Core\Time;

/** By which clocks and calendars a moment is reckoned. */
final readonly class Clocks
{
    /**
     * @param  \DateTimeZone  $theirs  the person's
     * @param  \DateTimeZone  $ours  the business's
     * @param  bool  $leapToMarch  29 February falls on 1 March in a common year, not on 28 February
     */
    public function __construct(
        public \DateTimeZone $theirs,
        public \DateTimeZone $ours,
        public WorkingDays $workingDays,
        public bool $leapToMarch = false,
    ) {
    }

    public function zone(bool $theirs): \DateTimeZone
    {
        return $theirs ? $this->theirs : $this->ours;
    }
}
