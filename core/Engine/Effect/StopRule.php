<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Effect;

final readonly class StopRule implements Effect
{
    /** @param  string  $rule its key */
    public function __construct(public string $rule)
    {
    }
}
