<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;
use Linnet\Core\Record\Change\RecordAdded;
use Linnet\Core\Time\Day;
use Linnet\Core\Time\Moment;

/** A wait longer than the record lives: for some of those it reaches, a text comes after what the record is about. */
final class WaitsTooLong implements Check
{
    public function findings(Question $of): iterable
    {
        $type = $of->types[$of->rule->trigger->type()] ?? null;
        if ($of->reached === [] || $type?->startField === null || ! $of->rule->trigger->meets(new RecordAdded($type->key), '')) {
            return;
        }
        foreach (LeastWaits::of($of->rule->steps) as $step => $waits) {
            if ($waits === null || $waits < 60) {
                continue;
            }
            $late = $all = 0;
            foreach ($of->reached as [$context]) {
                $start = $context->facts->at("$type->key.$type->startField");
                $at = $start instanceof Moment ? $start->at : ($start instanceof Day ? new \DateTimeImmutable($start->date) : null);
                // Only what is to come when it comes in.
                if ($at !== null && $at > $context->now) {
                    $all++;
                    $late += $context->now->modify("+$waits minutes") > $at ? 1 : 0;
                }
            }
            if ($late > 0) {
                yield new Finding(new Reason('check.waits_too_long', ['many' => $late, 'of' => $all]), false, $step);
            }
        }
    }
}
