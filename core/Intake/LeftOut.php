<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\Reason;

/** A delivery that is well, and that the source's tests do not let in. */
final readonly class LeftOut
{
    public function __construct(public Reason $reason)
    {
    }
}
