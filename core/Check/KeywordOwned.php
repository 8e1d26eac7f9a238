<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;
use Linnet\Core\Rule\Trigger\TextReceived;
use Linnet\Core\Text\Words\Meaning;

/** A word that another rule listens for on the same line, or that means to stop. */
final class KeywordOwned implements Check
{
    public function look(Question $of): iterable
    {
        $trigger = $of->rule->trigger;
        if (! $trigger instanceof TextReceived) {
            return;
        }
        foreach ($trigger->keywords->words as $word) {
            if (in_array($of->words->meaning($word), [Meaning::OptOut, Meaning::OptIn, Meaning::Help], true)) {
                yield new Finding(new Reason('check.reserved_word', ['word' => $word]), true);
            }
        }
        foreach ($of->others as $other) {
            $theirs = $other->trigger;
            if (
                $theirs instanceof TextReceived &&
                ($trigger->lines === [] || $theirs->lines === [] || array_intersect($trigger->lines, $theirs->lines) !== [])
            ) {
                foreach ($trigger->keywords->shared($theirs->keywords) as $word) {
                    yield new Finding(new Reason('check.keyword_owned', ['word' => $word, 'rule' => $other->name]), true);
                }
            }
        }
    }
}
