<?php

declare(strict_types=1);

namespace App\Intake;

/** What the door made of something. */
enum IntakeResult: string
{
    case Added = 'added';
    case Changed = 'changed';
    /** Nothing in it was new. */
    case Same = 'same';
    /** Older than what is known. */
    case Late = 'late';
}
