<?php

declare(strict_types=1);

namespace Linnet\Core\Gate\Check;

use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Gate\TextOrigin;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Reason;
use Linnet\Core\Record\Pace;
use Linnet\Core\Time\Zone;

/** It is an hour at which the line sends, and it has not sent as fast as it may. */
final class Pacing implements Check
{
    public function judge(Candidate $text, Policy $policy, \DateTimeImmutable $now): Verdict
    {
        $with = ['line' => $text->lineName];
        $opens = $text->lineHours === null ? $now : $text->lineHours->nextOpen($now, Zone::get($text->businessZone));
        if ($opens === null) {
            return Verdict::drop(new Reason('gate.line_never_open', $with));
        }
        if ($opens > $now) {
            return Verdict::hold(new Reason('gate.line_closed', $with + ['until' => Reason::moment($opens, $text->businessZone)]), $opens);
        }
        if (! $text->pace->isLimited() || ($text->slot !== null && $text->slot <= $now)) {
            return Verdict::pass(new Reason('gate.line_free', $with));
        }
        $slot = $text->slot ?? $text->pace->slot($now, $text->departed, $text->turn, $this->windowSeconds($text, $policy, $now));
        if ($slot <= $now) {
            return Verdict::pass(new Reason('gate.line_free', $with));
        }
        $decent = $text->origin === TextOrigin::Rule ? $policy->decentHours($text->kind)->nextOpenInAll($slot, $text->to->zones) : $slot;
        $takes = $decent !== null && $decent->getTimestamp() === $slot->getTimestamp();
        $until = $decent ?? $slot;

        // A place at an hour that is not decent is not taken: it is asked for again then.
        return Verdict::hold(new Reason('gate.line_busy', $with + ['until' => Reason::moment($until, $text->to->zone)]), $until, $takes);
    }

    /** How long the decent hours of this day last: what an even spread is spread over. */
    private function windowSeconds(Candidate $text, Policy $policy, \DateTimeImmutable $now): int
    {
        if (! $text->pace->even || $text->origin !== TextOrigin::Rule) {
            return Pace::DAY;
        }
        $seconds = 0;
        foreach ($policy->decentHours($text->kind)->stretches($now, Zone::get($text->to->zones[0])) as [$from, $to]) {
            $seconds += $to->getTimestamp() - $from->getTimestamp();
        }

        return $seconds === 0 ? Pace::DAY : min(Pace::DAY, $seconds);
    }
}
