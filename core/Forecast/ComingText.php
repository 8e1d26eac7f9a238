<?php

declare(strict_types=1);

namespace Linnet\Core\Forecast;

use Linnet\Core\Engine\OutText;
use Linnet\Core\Reason;

/** A text that may leave, as things stand. */
final readonly class ComingText
{
    /**
     * @param  bool  $begun  its run is under way; else a date that is known will begin it
     * @param  \DateTimeImmutable|null  $leavesAt  the earliest, where that is further than was looked; null where somebody has to act
     *     first, as its reason says
     * @param  Reason|null  $held  why it leaves later than its rule wants it, or waits for somebody
     * @param  bool  $leftOut  it does not leave, for what somebody decided of it
     * @param  list<Reason>  $hangsOn  what it would take for it not to leave after all
     */
    public function __construct(
        public OutText $text,
        public bool $begun,
        public ?\DateTimeImmutable $leavesAt,
        public ?Reason $held,
        public array $hangsOn,
        public bool $leftOut = false,
    ) {
    }
}
