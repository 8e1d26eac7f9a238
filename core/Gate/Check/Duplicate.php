<?php

declare(strict_types=1);

namespace Linnet\Core\Gate\Check;

use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Reason;
use Linnet\Core\Time\Zone;

/** The same words have not gone to the same number a short while ago. */
final class Duplicate implements Check
{
    public function judge(Candidate $text, Policy $policy, \DateTimeImmutable $now): Verdict
    {
        $with = ['who' => $text->to->who];
        if ($text->sameSentAt === null || $text->sameSentAt->getTimestamp() + $policy->sameTextSeconds <= $now->getTimestamp()) {
            return Verdict::pass(new Reason('gate.not_said_before', $with));
        }

        return Verdict::drop(new Reason('gate.same_text', $with + [
            'at' => Reason::moment($text->sameSentAt, Zone::get($text->to->zones[0])->getName()),
        ]));
    }
}
