<?php

declare(strict_types=1);

namespace Linnet\Core\Gate;

use Linnet\Core\Reason;

/** What one check says of a text. */
final readonly class Verdict
{
    /** @param  \DateTimeImmutable|null  $until for a hold: when to ask again; null where somebody has to act first */
    private function __construct(public Say $say, public Reason $reason, public ?\DateTimeImmutable $until = null)
    {
    }

    public static function pass(Reason $reason): self
    {
        return new self(Say::Pass, $reason);
    }

    public static function hold(Reason $reason, ?\DateTimeImmutable $until): self
    {
        return new self(Say::Hold, $reason, $until);
    }

    public static function drop(Reason $reason): self
    {
        return new self(Say::Drop, $reason);
    }
}
