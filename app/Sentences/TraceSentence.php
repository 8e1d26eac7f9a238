<?php

declare(strict_types=1);

namespace App\Sentences;

use App\Models\Trace;

/** A decision as a person reads it. */
final class TraceSentence
{
    /** A condition that did not hold is the reason for not going on. */
    public static function of(Trace $trace): string
    {
        $sentence = Sentence::of(['code' => $trace->code, 'with' => $trace->with]);
        $who = $trace->with['who'] ?? null;

        return str_starts_with($trace->code, 'condition.')
            ? ($trace->run_id === null ? 'Not started: ' : 'Went no further: ').
                    (is_string($who) && str_starts_with($sentence, $who) ? $sentence : lcfirst($sentence))
            : $sentence;
    }
}
