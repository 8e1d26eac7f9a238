<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

enum TextKind: string
{
    /** About something the person asked for. Needs no consent on record, only no opt-out. */
    case Service = 'service';
    /** Needs a recorded opt-in. */
    case Marketing = 'marketing';
}
