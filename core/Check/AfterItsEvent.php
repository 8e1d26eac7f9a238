<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;

/** A text that cannot be before its event: the rule begins shortly before a date and waits past it. */
final class AfterItsEvent implements Check
{
    public function findings(Question $of): iterable
    {
        $offset = $of->rule->trigger->offset();
        if ($offset === null || ! $offset->before || $offset->span->amount === 0) {
            return;
        }
        $lead = LeastWaits::minutes($offset->span);
        // Pinned to a time of day, a day before may be nearly two.
        $lead += $offset->at === null ? 0 : 1440;
        foreach (LeastWaits::of($of->rule->steps) as $step => $waits) {
            if ($waits !== null && $waits >= $lead) {
                yield new Finding(new Reason('check.after_its_event'), true, $step);
            }
        }
    }
}
