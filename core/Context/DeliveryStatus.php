<?php

declare(strict_types=1);

namespace Linnet\Core\Context;

/** What became of a text a run asked for. */
final readonly class DeliveryStatus
{
    /** @param  \DateTimeImmutable|null  $at when it left or was dropped */
    private function __construct(public DeliveryState $state, public ?\DateTimeImmutable $at)
    {
    }

    public static function waiting(): self
    {
        return new self(DeliveryState::Waiting, null);
    }

    public static function left(\DateTimeImmutable $at): self
    {
        return new self(DeliveryState::Left, $at);
    }

    /** @param  \DateTimeImmutable  $at when it passed the gate */
    public static function leaving(\DateTimeImmutable $at): self
    {
        return new self(DeliveryState::Leaving, $at);
    }

    public static function failed(\DateTimeImmutable $at): self
    {
        return new self(DeliveryState::Failed, $at);
    }

    public static function dropped(\DateTimeImmutable $at): self
    {
        return new self(DeliveryState::Dropped, $at);
    }

    /** Whether it will never reach anybody, whatever the gate said of it. */
    public function neverLeft(): bool
    {
        return $this->state === DeliveryState::Failed || $this->state === DeliveryState::Dropped;
    }

    public function isWaiting(): bool
    {
        return $this->state === DeliveryState::Waiting;
    }
}
