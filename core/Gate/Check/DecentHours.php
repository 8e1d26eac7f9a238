<?php

declare(strict_types=1);

namespace Linnet\Core\Gate\Check;

use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Reason;
use Linnet\Core\Time\Zone;

/** It is a decent hour in every zone the person may be in. */
final class DecentHours implements Check
{
    public function judge(Candidate $text, Policy $policy, \DateTimeImmutable $now): Verdict
    {
        $hours = $policy->decentHours($text->kind);
        $open = $hours->nextOpenInAll($now, $text->to->zones);
        $zone = $open == $now ? $text->to->zones[0] : $this->zoneToName($text, $policy, $now);
        $with = ['who' => $text->to->who, 'zone' => $zone, 'zones' => count($text->to->zones), 'now' => Reason::moment($now, $zone)];

        return match (true) {
            $open === null => Verdict::drop(new Reason('gate.never_decent', $with)),
            $open > $now => Verdict::hold(new Reason('gate.outside_hours', $with + ['until' => Reason::moment($open, $zone)]), $open),
            default => Verdict::pass(new Reason('gate.decent_hour', $with)),
        };
    }

    /** The zone a sentence speaks of: that in which a decent hour comes last of those where it is none now, else the first. */
    private function zoneToName(Candidate $text, Policy $policy, \DateTimeImmutable $now): string
    {
        $hours = $policy->decentHours($text->kind);
        $named = $text->to->zones[0];
        $last = $now;
        foreach ($text->to->zones as $zone) {
            $opens = $hours->nextOpen($now, Zone::get($zone));
            if ($opens === null) {
                return $zone;
            }
            [$named, $last] = $opens > $last ? [$zone, $opens] : [$named, $last];
        }

        return $named;
    }
}
