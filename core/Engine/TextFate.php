<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

/** What a run needs to know of a text it asked for. */
enum TextFate: string
{
    /** Held, or set aside until somebody fills in what is missing. */
    case Waiting = 'waiting';
    /** It passed the gate and is on its way. */
    case Left = 'left';
    /** It will never go. */
    case Dropped = 'dropped';
}
