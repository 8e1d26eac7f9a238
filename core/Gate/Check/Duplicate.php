<?php

declare(strict_types=1);

namespace Linnet\Core\Gate\Check;

use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Reason;
use Linnet\Core\Time\Zone;

/** The same words have not gone to the same person a short while ago, and do not wait to go to them. */
final class Duplicate implements Check
{
    public function judge(Candidate $text, Policy $policy, \DateTimeImmutable $now): Verdict
    {
        $with = ['who' => $text->to->who];
        if ($text->sameHeldSince !== null) {
            return Verdict::drop(
                new Reason(
                    'gate.same_text_held',
                    $with + ['since' => Reason::moment($text->sameHeldSince, Zone::get($text->to->zones[0])->getName())],
                ),
            );
        }
        if ($text->sameSentAt === null || $text->sameSentAt->getTimestamp() + $policy->sameTextSeconds <= $now->getTimestamp()) {
            return Verdict::pass(new Reason('gate.not_said_before', $with));
        }

        return Verdict::drop(new Reason('gate.same_text', $with + [
            'at' => Reason::moment($text->sameSentAt, Zone::get($text->to->zones[0])->getName()),
        ]));
    }
}
