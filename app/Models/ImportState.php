<?php

declare(strict_types=1);

namespace App\Models;

/** How far a file has come. */
enum ImportState: string
{
    /** Being made into a table that can be read. */
    case Reading = 'reading';
    /** Somebody has to say what its columns mean. */
    case ToMap = 'to_map';
    case Running = 'running';
    case Stopped = 'stopped';
    case Done = 'done';
    case Failed = 'failed';
    case TakingBack = 'taking_back';
    case TakenBack = 'taken_back';

    /** Whether the worker has it in hand. */
    public function isUnderWay(): bool
    {
        return $this === self::Reading || $this === self::Running || $this === self::TakingBack;
    }

    public function word(): string
    {
        return match ($this) {
            self::Reading => 'being read',
            self::ToMap => 'waits for you',
            self::Running => 'under way',
            self::Stopped => 'stopped',
            self::Done => 'taken in',
            self::Failed => 'failed',
            self::TakingBack => 'being taken back',
            self::TakenBack => 'taken back',
        };
    }

    public function tone(): string
    {
        return match ($this) {
            self::Done => 'well',
            self::ToMap, self::Stopped => 'held',
            self::Failed => 'bad',
            self::Reading, self::Running, self::TakingBack, self::TakenBack => 'plain',
        };
    }
}
