<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Reason;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Rule\Needs;
use Linnet\Core\Rule\Rule;

/** Whether a rule would begin for somebody as things stand: everything that is asked before it does, each with its answer. */
final class WhyNot
{
    /**
     * @param  \DateTimeImmutable  $lastActivity  when something last happened to what it is about
     * @return list<array{bool, Reason}> whether it speaks for it, in the order in which the engine asks
     */
    public static function of(
        Rule $rule,
        ActivationState $power,
        EvaluationContext $context,
        bool $hasRecord,
        \DateTimeImmutable $lastActivity,
    ): array {
        $asked = [$power === ActivationState::On ? [true, new Reason('why.on')] : [false, new Reason('start.rule_off')]];
        if (! $rule->mayStartAt($context->now, $context->businessZone)) {
            $asked[] = [false, new Reason('start.not_its_days', ['first' => $rule->firstDay ?? '', 'last' => $rule->lastDay ?? ''])];
        }
        foreach (Needs::missing($rule, $context, $hasRecord) as $missing) {
            $asked[] = [false, $missing];
        }
        foreach (array_filter([$rule->trigger->condition(), $rule->conditions]) as $condition) {
            $weighed = $condition->weigh($context);
            $asked[] = [$weighed->holds(), $weighed->reason];
        }
        if ($context->optedOut) {
            $asked[] = [false, new Reason('start.opted_out', ['who' => $context->who])];
        }
        if ($rule->trigger->isAwaited()) {
            $next = $rule->trigger->nextLook($context, $lastActivity);
            $asked[] = $next === null
                ? [false, new Reason('why.no_moment')]
                : [true, new Reason('why.next', ['at' => Reason::moment($next, $context->businessZone)])];
        }

        return $asked;
    }
}
