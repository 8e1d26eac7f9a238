<?php

declare(strict_types=1);

namespace Linnet\Core\Gate\Check;

use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Reason;
use Linnet\Core\Time\Zone;

/** It still makes sense: not after the event it was to come before, nor long after a pause it fell into. */
final class Stale implements Check
{
    public function judge(Candidate $text, Policy $policy, \DateTimeImmutable $now): Verdict
    {
        $wanted = $text->wantedAt ?? $now;
        $zone = Zone::get($text->to->zones[0])->getName();

        return match (true) {
            $text->anchor !== null && $wanted < $text->anchor && $now >= $text->anchor => Verdict::drop(
                new Reason('gate.after_its_event', ['event' => Reason::moment($text->anchor, $zone)]),
            ),
            $text->pausedUntil !== null &&
                $wanted < $text->pausedUntil &&
                $text->pausedUntil->getTimestamp() - $wanted->getTimestamp() > $policy->staleMinutes * 60 => Verdict::drop(
                    new Reason('gate.stale_by_pause', ['wanted' => Reason::moment($wanted, $zone)]),
                ),
            default => Verdict::pass(new Reason('gate.timely')),
        };
    }
}
