<?php

declare(strict_types=1);

namespace Linnet\Core\InMemory;

use Linnet\Core\Record\ActivationState;
use Linnet\Core\Rule\Rule;

/** A rule of a world on paper, with its switch. */
final class InMemoryRule
{
    public ActivationState $power = ActivationState::On;

    public ?\DateTimeImmutable $pausedUntil = null;

    public function __construct(public readonly string $id, public readonly Rule $rule)
    {
    }
}
