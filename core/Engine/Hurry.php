<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\Wait;
use Linnet\Core\Rule\Step\WaitForDate;
use Linnet\Core\Rule\Step\WaitUntil;

/** A run that is not to wait for its moment any longer: it stands at the step behind, as if the moment had come. */
final class Hurry
{
    /** The state it goes on from; null where it waits for no moment, or for nothing that follows. */
    public static function past(Rule $rule, RunState $state, \DateTimeImmutable $now): ?RunState
    {
        $step = $state->step === null || $state->awaits !== null ? null : $rule->flow->step($state->step);
        $next = $step instanceof Wait || $step instanceof WaitUntil || $step instanceof WaitForDate ? $rule->flow->after($step->id()) : null;

        return $next === null ? null : $state->at($next->id(), $now);
    }
}
