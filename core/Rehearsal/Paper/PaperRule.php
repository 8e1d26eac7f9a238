<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Paper;

use Linnet\Core\Gate\Power;
use Linnet\Core\Rule\Rule;

/** A rule of a world on paper, with its switch. */
final class PaperRule
{
    public Power $power = Power::On;

    public ?\DateTimeImmutable $pausedUntil = null;

    public function __construct(public readonly string $id, public readonly Rule $rule)
    {
    }
}
