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
     * @param  \DateTimeImmutable|null  $leavesAt  null where somebody has to act first, as its reason says
     * @param  list<Reason>  $hangsOn  what it would take for it not to leave after all
     */
    public function __construct(
        public OutText $text,
        public bool $begun,
        public ?\DateTimeImmutable $leavesAt,
        public array $hangsOn,
    ) {
    }
}
