<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Effect;

use Linnet\Core\Rule\Step\CallOut;

final readonly class PostOut implements Effect
{
    public function __construct(public string $name, public CallOut $step)
    {
    }
}
