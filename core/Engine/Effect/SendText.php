<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Effect;

use Linnet\Core\Rule\Step\Text;

/** A text is wanted now. Whether and when it leaves, the gate says. */
final readonly class SendText implements Effect
{
    /** @param  string  $name step/round; with the run's id before it, unique for ever */
    public function __construct(public string $name, public Text $step)
    {
    }
}
