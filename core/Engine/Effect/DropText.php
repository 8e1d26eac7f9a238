<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Effect;

use Linnet\Core\Reason;

/** A text that has not left yet is not wanted any more. */
final readonly class DropText implements Effect
{
    public function __construct(public string $name, public Reason $reason)
    {
    }
}
