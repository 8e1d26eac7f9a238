<?php

declare(strict_types=1);

namespace App\Models;

enum RehearsalState: string
{
    case Waiting = 'waiting';
    case Running = 'running';
    case Done = 'done';
    case Stopped = 'stopped';
    case Failed = 'failed';

    public function isUnderWay(): bool
    {
        return $this === self::Waiting || $this === self::Running;
    }
}
