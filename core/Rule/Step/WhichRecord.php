<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

/** Which of a person's records is meant where the rule is about something else. */
enum WhichRecord: string
{
    /** The one that starts next, by the field its type names. */
    case Next = 'next';
    /** The one that came last. */
    case Newest = 'newest';
}
