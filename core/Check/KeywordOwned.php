<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;
use Linnet\Core\Text\Words\Meaning;

/** A word that another rule listens for on the same line, or that means to stop. */
final class KeywordOwned implements Check
{
    public function findings(Question $of): iterable
    {
        $listens = $of->rule->trigger->listens();
        foreach ($listens->keywords->words ?? [] as $word) {
            if (in_array($of->words->meaning($word), [Meaning::OptOut, Meaning::OptIn, Meaning::Help], true)) {
                yield new Finding(new Reason('check.reserved_word', ['word' => $word]), true);
            }
        }
        foreach ($of->others as $other) {
            $theirs = $other->trigger->listens();
            foreach ($listens === null || $theirs === null ? [] : $listens->shared($theirs) as $word) {
                yield new Finding(new Reason('check.keyword_owned', ['word' => $word, 'rule' => $other->name]), true);
            }
        }
    }
}
