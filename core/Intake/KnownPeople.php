<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

/** What is done with what comes about somebody who is known already. */
enum KnownPeople: string
{
    case Fill = 'fill';
    case Overwrite = 'overwrite';
    case Leave = 'leave';

    public function says(): string
    {
        return match ($this) {
            self::Fill => 'fill in what is empty, leave the rest',
            self::Overwrite => 'replace what is known with what comes',
            self::Leave => 'leave them as they are',
        };
    }
}
