<?php

declare(strict_types=1);

namespace Linnet\Core\Gate;

use Linnet\Core\Reason;

/** What one check says of a text. */
final readonly class Verdict
{
    /**
     * @param  \DateTimeImmutable|null  $until  for a hold: when to ask again; null where somebody has to act first
     * @param  bool  $takesSlot  that moment is its place in the line's order, kept for it
     */
    private function __construct(
        public Say $say,
        public Reason $reason,
        public ?\DateTimeImmutable $until = null,
        public bool $takesSlot = false,
    ) {
    }

    public static function pass(Reason $reason): self
    {
        return new self(Say::Pass, $reason);
    }

    public static function hold(Reason $reason, ?\DateTimeImmutable $until, bool $takesSlot = false): self
    {
        return new self(Say::Hold, $reason, $until, $takesSlot);
    }

    public static function drop(Reason $reason): self
    {
        return new self(Say::Drop, $reason);
    }
}
