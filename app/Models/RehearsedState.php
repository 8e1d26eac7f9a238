<?php

declare(strict_types=1);

namespace App\Models;

/** What would have become of a text. */
enum RehearsedState: string
{
    case Left = 'left';
    /** It would have left, and nobody has the number. */
    case Failed = 'failed';
    case Dropped = 'dropped';
    case SetAside = 'set_aside';
    /** It would wait still at the end. */
    case Waiting = 'waiting';
    /** Its rule would not have begun. */
    case NotBegun = 'not_begun';

    /** @return list<self> */
    public static function went(): array
    {
        return [self::Left, self::Failed];
    }
}
