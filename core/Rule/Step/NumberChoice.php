<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

/** Which of a person's numbers a text goes to. */
enum NumberChoice: string
{
    /** The one texts go to unless said otherwise. */
    case Preferred = 'preferred';
    /** The one they called or texted from. */
    case Contacted = 'contacted';
    /** The first known to be a mobile in use. */
    case Mobile = 'mobile';
    /** The one that became known last. */
    case Newest = 'newest';
}
