<?php

declare(strict_types=1);

namespace Linnet\Core\Context;

/** What a run needs to know of a text it asked for. */
enum DeliveryState: string
{
    /** Held, or set aside until somebody fills in what is missing. */
    case Waiting = 'waiting';
    /** It passed the gate, and nobody has taken it yet. */
    case Leaving = 'leaving';
    /** It passed the gate and is on its way. */
    case Left = 'left';
    /** It passed the gate, and nobody would take it: it never left. */
    case Failed = 'failed';
    /** It will never go. */
    case Dropped = 'dropped';
}
