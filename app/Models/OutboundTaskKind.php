<?php

declare(strict_types=1);

namespace App\Models;

enum OutboundTaskKind: string
{
    case Email = 'email';
    case LookUp = 'look_up';
    case Post = 'post';
    /** To one of the staff, about what somebody waits for. */
    case Text = 'text';

    public function word(): string
    {
        return match ($this) {
            self::Email => 'email', self::LookUp => 'number look-up', self::Post => 'call to another system',
            self::Text => 'text to one of the staff',
        };
    }
}
