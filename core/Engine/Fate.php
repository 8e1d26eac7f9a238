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

    public static function dropped(\DateTimeImmutable $at): self
    {
        return new self(TextFate::Dropped, $at);
    }

    public function isWaiting(): bool
    {
        return $this->fate === TextFate::Waiting;
    }
}
