<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

/** What became of a text a run asked for. */
final readonly class Fate
{
    /** @param  \DateTimeImmutable|null  $at when it left or was dropped */
    private function __construct(public TextFate $fate, public ?\DateTimeImmutable $at)
    {
    }

    public static function waiting(): self
    {
        return new self(TextFate::Waiting, null);
    }

    public static function left(\DateTimeImmutable $at): self
    {
        return new self(TextFate::Left, $at);
    }

    /** @param  \DateTimeImmutable  $at when it passed the gate */
    public static function leaving(\DateTimeImmutable $at): self
    {
        return new self(TextFate::Leaving, $at);
    }

    public static function failed(\DateTimeImmutable $at): self
    {
        return new self(TextFate::Failed, $at);
    }

    public static function dropped(\DateTimeImmutable $at): self
    {
        return new self(TextFate::Dropped, $at);
    }

    /** Whether it will never reach anybody, whatever the gate said of it. */
    public function neverLeft(): bool
    {
        return $this->fate === TextFate::Failed || $this->fate === TextFate::Dropped;
    }

    public function isWaiting(): bool
    {
        return $this->fate === TextFate::Waiting;
    }
}
