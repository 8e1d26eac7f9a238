<?php

declare(strict_types=1);

namespace Linnet\Core\Gate\Check;

use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Reason;
use Linnet\Core\Time\Zone;

/** The month's money is not spent. */
final class Budget implements Check
{
    public function judge(Candidate $text, Policy $policy, \DateTimeImmutable $now): Verdict
    {
        if ($policy->monthMicros === null) {
            return Verdict::pass(new Reason('gate.no_budget'));
        }
        if ($text->spent + $text->price <= $policy->monthMicros) {
            return Verdict::pass(new Reason('gate.within_budget'));
        }
        $zone = Zone::get($text->businessZone);
        $next = (new \DateTimeImmutable($now->setTimezone($zone)->format('Y-m-01'), $zone))->modify('+1 month')->setTimezone(Zone::utc());

        return Verdict::hold(new Reason('gate.budget_spent', ['until' => Reason::moment($next, $text->businessZone)]), $next);
    }
}
