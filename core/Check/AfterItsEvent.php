<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;
use Linnet\Core\Rule\Trigger\DateReached;

/** A text that cannot be before its event: the rule begins shortly before a date and waits past it. */
final class AfterItsEvent implements Check
{
    public function look(Question $of): iterable
    {
        $trigger = $of->rule->trigger;
        if (! $trigger instanceof DateReached || ! $trigger->offset->before || $trigger->offset->span->amount === 0) {
            return;
        }
        $lead = LeastWaits::minutes($trigger->offset->span);
        // Pinned to a time of day, a day before may be nearly two.
        $lead += $trigger->offset->at === null ? 0 : 1440;
        foreach (LeastWaits::of($of->rule->steps) as $step => $waits) {
            if ($waits !== null && $waits >= $lead) {
                yield new Finding(new Reason('check.after_its_event'), true, $step);
            }
        }
    }
}
