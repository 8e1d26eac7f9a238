<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

enum ActivationState: string
{
    case On = 'on';
    /** For a while: what waits keeps its place. */
    case Paused = 'paused';
    /** For good: what waits is dropped. */
    case Retired = 'retired';
}
