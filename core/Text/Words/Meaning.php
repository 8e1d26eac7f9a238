<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Words;

/** What a text that came in is taken for. */
enum Meaning: string
{
    case OptOut = 'opt_out';
    case OptIn = 'opt_in';
    case Help = 'help';
    /** Reads like an opt-out: automatic texts wait until a person has decided. */
    case LikelyOptOut = 'likely_opt_out';
    /** Answers a question a rule has asked. */
    case Answer = 'answer';
    /** Starts a rule that listens for it. */
    case Keyword = 'keyword';
    /** For a person to read. */
    case Talk = 'talk';

    /** Whether somebody has to read it. */
    public function wantsAPerson(): bool
    {
        return $this === self::Talk || $this === self::LikelyOptOut;
    }
}
