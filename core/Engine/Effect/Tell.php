<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Effect;

use Linnet\Core\Rule\Step\TellStaff;

final readonly class Tell implements Effect
{
    public function __construct(public string $name, public TellStaff $step)
    {
    }
}
