<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

/** From what it can be known beforehand whom a rule would begin for. */
enum Foresight
{
    /** From dates that are known. */
    case Dates;
    /** From what holds now, and would have to go on holding. */
    case Quiet;
    /** From what holds now, for a moment that is known. */
    case Audience;
    /** From what came in lately. */
    case Added;
    /** From what changed lately. */
    case Changed;
    /** From nothing: it depends on what people do. */
    case None;
}
