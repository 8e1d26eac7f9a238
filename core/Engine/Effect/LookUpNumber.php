<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Effect;

final readonly class LookUpNumber implements Effect
{
    public function __construct(public string $name)
    {
    }
}
