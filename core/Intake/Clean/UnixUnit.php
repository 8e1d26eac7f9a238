<?php

declare(strict_types=1);

namespace Linnet\Core\Intake\Clean;

enum UnixUnit: string
{
    case Seconds = 'seconds';
    case Milliseconds = 'milliseconds';

    public function perSecond(): int
    {
        return $this === self::Milliseconds ? 1000 : 1;
    }
}
