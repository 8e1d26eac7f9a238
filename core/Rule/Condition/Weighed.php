<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Reason;

/** A condition's truth with the test that decided it. */
final readonly class Weighed
{
    public function __construct(public Truth $truth, public Reason $reason)
    {
    }

    public function holds(): bool
    {
        return $this->truth === Truth::True;
    }
}
