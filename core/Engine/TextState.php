<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

/** Where a text is, as far as the engine asks. */
enum TextState: string
{
    case Waiting = 'waiting';
    /** A value is missing: somebody has to decide. */
    case SetAside = 'set_aside';
    /** It has passed the gate. */
    case Left = 'left';
    /** It has passed the gate, and the carrier would not take it. */
    case Failed = 'failed';
    case Dropped = 'dropped';
}
