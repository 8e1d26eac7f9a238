<?php

declare(strict_types=1);

namespace App\Models;

/** What became of a delivery. */
enum DeliveryState: string
{
    case Taken = 'taken';
    /** Well, and not let in by the source's own tests. */
    case LeftOut = 'left_out';
    /** The same had come before. */
    case Repeated = 'repeated';
    case Refused = 'refused';
    /** Older than what is known already. */
    case Late = 'late';
    /** Not looked at yet: its source is paused, or nobody has said what it means. */
    case Kept = 'kept';

    public function word(): string
    {
        return match ($this) {
            self::Taken => 'taken',
            self::LeftOut => 'left out',
            self::Repeated => 'came before',
            self::Refused => 'refused',
            self::Late => 'too old',
            self::Kept => 'waits',
        };
    }

    public function tone(): string
    {
        return match ($this) {
            self::Taken => 'well',
            self::LeftOut, self::Repeated, self::Late => 'plain',
            self::Kept => 'held',
            self::Refused => 'bad',
        };
    }
}
