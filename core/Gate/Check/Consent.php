<?php

declare(strict_types=1);

namespace Linnet\Core\Gate\Check;

use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Gate\TextOrigin;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Reason;
use Linnet\Core\Rule\Step\TextKind;

/** A service text needs no opt-out; a marketing text needs a recorded opt-in. */
final class Consent implements Check
{
    public function judge(Candidate $text, Policy $policy, \DateTimeImmutable $now): Verdict
    {
        $with = ['who' => $text->to->who];

        return match (true) {
            $text->to->optedOut && $text->origin === TextOrigin::Notice => Verdict::drop(new Reason('gate.staff_off', $with)),
            $text->to->optedOut && $text->origin !== TextOrigin::Words => Verdict::drop(new Reason('gate.opted_out', $with)),
            $text->to->mayHaveOptedOut && $text->origin === TextOrigin::Rule => Verdict::hold(
                new Reason('gate.may_have_opted_out', $with),
                null,
            ),
            $text->origin === TextOrigin::Rule && $text->kind === TextKind::Marketing && ! $text->to->optedIn => Verdict::drop(
                new Reason('gate.no_opt_in', $with),
            ),
            default => Verdict::pass(new Reason($text->to->optedIn ? 'gate.opted_in' : 'gate.not_opted_out', $with)),
        };
    }
}
