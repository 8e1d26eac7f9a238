<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Words;

/** What a text that came in asks for by itself. */
enum Meaning: string
{
    case OptOut = 'opt_out';
    case OptIn = 'opt_in';
    case Help = 'help';
    /** For a person to read. */
    case Talk = 'talk';
}
