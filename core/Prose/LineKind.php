<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

enum LineKind: string
{
    /** What starts the rule, and only if what holds. */
    case Beginning = 'beginning';
    /** One or more steps. */
    case Steps = 'steps';
    case Answer = 'answer';
    case Wording = 'wording';
    case Branch = 'case';
    case Closing = 'closing';

    public function isCapital(): bool
    {
        return $this === self::Beginning || $this === self::Closing;
    }
}
