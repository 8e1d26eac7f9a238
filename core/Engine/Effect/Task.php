<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Effect;

use Linnet\Core\Rule\Step\MakeTask;

final readonly class Task implements Effect
{
    /** @param  \DateTimeImmutable|null  $dueAt null where it has no due time */
    public function __construct(public string $name, public MakeTask $step, public ?\DateTimeImmutable $dueAt)
    {
    }
}
