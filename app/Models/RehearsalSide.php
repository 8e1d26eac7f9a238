<?php

declare(strict_types=1);

namespace App\Models;

/** Which version of a rule is carried out: the one that is written, or the one that is published. */
enum RehearsalSide: string
{
    case Changed = 'changed';
    case Published = 'published';
}
