<?php

declare(strict_types=1);

namespace App\Models;

/** What is done when what somebody is known by leads to two people. */
enum Conflicts: string
{
    /** Their external id decides, then the number, then the email. */
    case First = 'first';
    case Refuse = 'refuse';

    public function says(): string
    {
        return match ($this) {
            self::First => 'Take the one their system’s name leads to, else the number, else the email, and leave the other alone',
            self::Refuse => 'Refuse it, so that somebody can look',
        };
    }
}
