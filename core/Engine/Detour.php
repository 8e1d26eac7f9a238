<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\Wait;
use Linnet\Core\Rule\Step\WaitForDate;
use Linnet\Core\Rule\Step\WaitUntil;

/** A run that somebody lets go on elsewhere than by itself. The states it goes on from; null where it cannot. */
final class Detour
{
    /** Past its wait, as if the moment had come; null where it waits for no moment, or for nothing that follows. */
    public static function past(Rule $rule, RunState $state, \DateTimeImmutable $now): ?RunState
    {
        $step = $state->step === null || $state->awaits !== null ? null : $rule->flow->step($state->step);
        $next =
            $step instanceof Wait || $step instanceof WaitUntil || $step instanceof WaitForDate ? $rule->flow->after($step->id()) : null;

        return $next === null ? null : $state->at($next->id(), $now);
    }

    /** Behind the step it stands at, which is not done; its steps are over where none follows. */
    public static function skipping(Rule $rule, RunState $state, \DateTimeImmutable $now): ?RunState
    {
        if ($state->step === null || $rule->flow->step($state->step) === null) {
            return null;
        }
        $next = $rule->flow->after($state->step);

        return match (true) {
            $next !== null => $state->at($next->id(), $now),
            $rule->goal !== null => $state->awaitGoal('finished'),
            default => $state->over('finished'),
        };
    }

    /** At another step, which is done now. Going back is another round: what was sent is sent anew. */
    public static function to(Rule $rule, RunState $state, string $step, \DateTimeImmutable $now): ?RunState
    {
        if ($state->step === null || $rule->flow->step($step) === null || $step === $state->step) {
            return null;
        }
        $places = array_flip(array_keys($rule->flow->steps));
        $isBack = $places[$step] < ($places[$state->step] ?? PHP_INT_MAX);

        return $state->at($step, $now)->with(['round' => $state->round + (int) $isBack]);
    }
}
