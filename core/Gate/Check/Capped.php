<?php

declare(strict_types=1);

namespace Linnet\Core\Gate\Check;

use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Reason;
use Linnet\Core\Rule\Step\TextKind;

/** The person has not had as many automatic texts as one may get. */
final class Capped implements Check
{
    public function judge(Candidate $text, Policy $policy, \DateTimeImmutable $now): Verdict
    {
        $cap = $policy->cap;
        $with = ['who' => $text->to->who];
        if ($text->kind === TextKind::Service && $cap->excuseService) {
            return Verdict::pass(new Reason('gate.cap_excused', $with));
        }
        $at = $cap->allows($text->recent, $now);

        return $at > $now
            ? Verdict::hold(
                new Reason(
                    'gate.capped',
                    $with + ['until' => Reason::moment($at, $text->to->zone), 'last' => Reason::moment($text->recent[0], $text->to->zone)],
                ),
                $at,
            )
            : Verdict::pass(new Reason('gate.not_capped', $with));
    }
}
