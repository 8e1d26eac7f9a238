<?php

declare(strict_types=1);

namespace Linnet\Core\Gate\Check;

use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Reason;

/** What the rule asks of its record all along still holds. */
final class StandingCondition implements Check
{
    public function judge(Candidate $text, Policy $policy, \DateTimeImmutable $now): Verdict
    {
        return match (true) {
            $text->standing === null => Verdict::pass(new Reason('gate.nothing_standing')),
            $text->standing->holds() => Verdict::pass(new Reason('gate.still_holds', ['because' => $text->standing->reason->toArray()])),
            default => Verdict::drop(new Reason('gate.no_longer', ['because' => $text->standing->reason->toArray()])),
        };
    }
}
