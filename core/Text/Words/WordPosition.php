<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Words;

/** Where in a text a word must stand. */
enum WordPosition: string
{
    /** It is the whole text. */
    case Whole = 'whole';
    /** It stands first; what follows is kept as the remark. */
    case First = 'first';
    case Anywhere = 'anywhere';
}
