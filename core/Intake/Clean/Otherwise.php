<?php

declare(strict_types=1);

namespace Linnet\Core\Intake\Clean;

/** What becomes of a value that a table does not name. */
enum Otherwise: string
{
    case Keep = 'keep';
    case Nothing = 'nothing';
    case Refuse = 'refuse';
}
