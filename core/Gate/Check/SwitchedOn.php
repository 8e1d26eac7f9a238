<?php

declare(strict_types=1);

namespace Linnet\Core\Gate\Check;

use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Reason;
use Linnet\Core\Record\ActivationState;

/** The rule, the business's sending and the line are on, and nobody has to let it go first. */
final class SwitchedOn implements Check
{
    public function judge(Candidate $text, Policy $policy, \DateTimeImmutable $now): Verdict
    {
        foreach (['rule' => $text->rule, 'business' => $text->business, 'line' => $text->line] as $what => $power) {
            if ($power !== ActivationState::On) {
                $reason = new Reason("gate.{$what}_{$power->value}", ['line' => $text->lineName]);

                return $power === ActivationState::Paused ? Verdict::hold($reason, null) : Verdict::drop($reason);
            }
        }

        if (! $text->released) {
            return Verdict::hold(new Reason('gate.not_released'), null);
        }
        if ($text->releaseAt !== null && $text->releaseAt > $now) {
            $until = Reason::moment($text->releaseAt, $text->businessZone);

            return Verdict::hold(new Reason('gate.let_go', ['until' => $until]), $text->releaseAt);
        }

        return Verdict::pass(new Reason('gate.on', ['line' => $text->lineName]));
    }
}
