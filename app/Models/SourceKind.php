<?php

declare(strict_types=1);

namespace App\Models;

enum SourceKind: string
{
    /** Posts to us. */
    case Feed = 'feed';
    /** A file at an address that is looked at again and again: a table, or a calendar. */
    case Watched = 'watched';
}
