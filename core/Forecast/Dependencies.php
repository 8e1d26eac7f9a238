<?php

declare(strict_types=1);

namespace Linnet\Core\Forecast;

use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\Run;
use Linnet\Core\Reason;
use Linnet\Core\Rule\Condition\Group;
use Linnet\Core\Rule\ReleaseKind;
use Linnet\Core\Rule\Step\Branch;
use Linnet\Core\Rule\Step\GoOnlyIf;
use Linnet\Core\Rule\Step\Step;
use Linnet\Core\Rule\Step\WaitFor;
use Linnet\Core\Time\Zone;

/** On what a coming text hangs: whatever its rule lets change its course before it leaves. */
final class Dependencies
{
    /**
     * @param  bool  $begun  its run is under way now
     * @param  bool  $asked  a question of the same run is open before it
     * @return list<Reason>
     */
    public static function of(OutText $text, Run $run, bool $begun, bool $asked, string $zone): array
    {
        $rule = $run->rule;
        $who = ['who' => $text->to->who];
        $last = $text->settledAt ?? $text->wantedAt;
        $on = [];
        if (! $text->released && $rule->release->kind !== ReleaseKind::Automatic) {
            $on[] = new Reason('forecast.release');
        }
        if (! $begun && ! ($rule->conditions instanceof Group && $rule->conditions->parts === [])) {
            $on[] = new Reason('forecast.conditions', ['rule' => $rule->name]);
        }
        if ($text->anchor !== null || $run->state->hangsOn !== null) {
            $on[] = self::date($text->anchor ?? $run->state->hangsOn ?? $last, $zone);
        }
        if ($asked) {
            $on[] = new Reason('forecast.no_answer', $who);
        } elseif ($rule->stopEarly->onReply && $last > $run->state->beganAt) {
            $on[] = new Reason('forecast.no_reply', $who);
        }
        if ($rule->stopEarly->while !== null) {
            $on[] = new Reason('forecast.while');
        }
        if ($rule->goal !== null) {
            $on[] = new Reason('forecast.goal');
        }
        if (array_filter($rule->flow->steps, self::looksAgain(...)) !== []) {
            $on[] = new Reason('forecast.looks_again');
        }

        return $on;
    }

    /** A date without an hour is the midnight it begins with. */
    private static function date(\DateTimeImmutable $at, string $zone): Reason
    {
        return $at->setTimezone(Zone::get($zone))->format('H:i') === '00:00'
            ? new Reason('forecast.day', ['day' => Reason::moment($at, $zone)])
            : new Reason('forecast.date', ['at' => Reason::moment($at, $zone)]);
    }

    /** Whether a run's way behind a step depends on how things are when it comes there. */
    private static function looksAgain(Step $step): bool
    {
        return $step instanceof GoOnlyIf || $step instanceof Branch || $step instanceof WaitFor;
    }
}
