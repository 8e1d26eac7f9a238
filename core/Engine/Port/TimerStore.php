<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Port;

use Linnet\Core\Engine\Due\Due;
use Linnet\Core\Engine\Piece;

/** What is waited for: moments, each once for what waits for it; and who is still to be gone through. */
interface TimerStore
{
    /**
     * Takes off what is due, the earliest first; of two at the same moment, the one that was set first.
     *
     * @return list<Due>
     */
    public function claimDue(int $most): array;

    /** A rule's calendar comes next at a moment; null for never again. */
    public function awaitCalendar(string $ruleId, ?\DateTimeImmutable $next): void;

    /** All of a rule's audience is to be gone through, for a moment of its calendar. */
    public function beginBroadcast(string $ruleId, \DateTimeImmutable $at): void;

    /** All there are of what a rule is about are to be gone through, since it was switched on. */
    public function beginAwaiting(string $ruleId): void;

    /** The next piece of whom some rule has still to go through, taken off; null where there is none. */
    public function takePiece(): ?Piece;
}
