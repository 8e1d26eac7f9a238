<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Engine\Effect\DropText;
use Linnet\Core\Engine\Effect\SendText;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change\Change;
use Linnet\Core\Rule\AgainPolicy;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\End;
use Linnet\Core\Rule\Step\GoOnlyIf;
use Linnet\Core\Rule\Step\Text;
use Linnet\Core\Rule\Step\Wait;
use Linnet\Core\Rule\Step\WaitUntil;
use Linnet\Core\Time\Zone;

/** The decisions of a rule's life, pure: the same inputs give the same outputs, live and rehearsed alike. */
final class Engine
{
    /**
     * Which rules a change starts. Rules it does not concern are left out.
     *
     * @param  list<Published>  $rules
     * @param  string|null  $personId  null where nobody is known
     * @return list<Start>
     */
    public static function start(array $rules, Change $change, Situation $situation, ?string $personId, string $recordId, string $changeId): array
    {
        $starts = [];
        foreach ($rules as $published) {
            if ($published->rule->trigger->meets($change)) {
                $starts[] = self::startOne($published, $situation, $personId, $recordId, $changeId);
            }
        }

        return $starts;
    }

    /** Moves a run as far as it goes at this moment. */
    public static function advance(Rule $rule, RunState $state, Situation $situation): Outcome
    {
        $situation = $situation->since($state->beganAt);
        $effects = [];
        $trace = [];

        while (! $state->isOver()) {
            $stop = self::stopEarly($rule, $situation);
            if ($stop !== null) {
                if ($state->awaits !== null) {
                    $effects[] = new DropText($state->awaits, $stop);
                }

                return new Outcome($state->over($situation->optedOut ? 'opted_out' : 'replied'), $effects, null, [...$trace, $stop]);
            }

            $step = $rule->step((string) $state->step);
            if ($step instanceof Text) {
                $fate = $state->awaits === null ? null : $situation->fates[$state->awaits] ?? TextFate::Waiting;
                if ($fate === null) {
                    $name = $step->id.'/'.$state->round;
                    $state = $state->awaiting($name);
                    $effects[] = new SendText($name, $step);
                }
                if ($fate === null || $fate === TextFate::Waiting) {
                    return new Outcome($state, $effects, null, $trace);
                }
            } elseif ($step instanceof Wait || $step instanceof WaitUntil) {
                $until = $step instanceof Wait
                    ? $step->span->after($state->arrivedAt, Zone::get($situation->zone))
                    : $step->after($state->arrivedAt, Zone::get($step->theirs ? $situation->zone : $situation->businessZone));
                if ($until > $situation->now) {
                    return new Outcome($state, $effects, $until, $trace);
                }
            } elseif ($step instanceof GoOnlyIf) {
                $weighed = $step->condition->weigh($situation);
                if (! $weighed->holds()) {
                    $trace[] = $weighed->reason;

                    return new Outcome($state->over('not_going_on'), $effects, null, $trace);
                }
            } elseif ($step instanceof End) {
                return new Outcome($state->over($step->outcome), $effects, null, [...$trace, new Reason('run.ended', ['outcome' => $step->outcome])]);
            }

            $next = $step === null ? null : $rule->after($step->id());
            $state = $next === null ? $state->over('finished') : $state->at($next->id(), $situation->now);
            if ($next === null) {
                $trace[] = new Reason($step === null ? 'run.step_gone' : 'run.finished');
            }
        }

        return new Outcome($state, $effects, null, $trace);
    }

    private static function startOne(Published $published, Situation $situation, ?string $personId, string $recordId, string $changeId): Start
    {
        $rule = $published->rule;
        $weighed = $rule->conditions->weigh($situation);
        if (! $weighed->holds()) {
            return new Start($published->ruleId, null, $weighed->reason);
        }
        if ($personId === null) {
            return new Start($published->ruleId, null, new Reason('start.nobody'));
        }
        if ($situation->optedOut) {
            return new Start($published->ruleId, null, new Reason('start.opted_out', ['who' => $situation->who]));
        }

        $days = $rule->again->days;
        if ($rule->again->policy === AgainPolicy::NotWithin && $days !== null && $published->lastBeganAt !== null
            && $published->lastBeganAt->getTimestamp() + $days * 86400 > $situation->now->getTimestamp()) {
            return new Start($published->ruleId, null, new Reason('start.again_too_soon', [
                'who' => $situation->who, 'days' => $days, 'last' => Reason::moment($published->lastBeganAt, $situation->businessZone),
            ]));
        }

        return new Start($published->ruleId, $rule->again->occasion($personId, $recordId, $changeId), new Reason('start.began'));
    }

    private static function stopEarly(Rule $rule, Situation $situation): ?Reason
    {
        return match (true) {
            $situation->optedOut => new Reason('stop.opted_out', ['who' => $situation->who]),
            $rule->stopOnReply && $situation->hasReplied() => new Reason('stop.replied', ['who' => $situation->who]),
            default => null,
        };
    }
}
