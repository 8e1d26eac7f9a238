<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Reason;
use Linnet\Core\Record\Change;
use Linnet\Core\Record\Day;
use Linnet\Core\Record\Moment;
use Linnet\Core\Rule\AgainPolicy;
use Linnet\Core\Rule\Needs;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Trigger\DateReached;
use Linnet\Core\Rule\Trigger\GoneQuiet;
use Linnet\Core\Rule\Trigger\Trigger;
use Linnet\Core\Time\Span;

/** The decisions of a rule's life, pure: the same inputs give the same outputs, live and rehearsed alike. */
final class Engine
{
    /**
     * Which rules a change starts, and which wait from now on. Rules it does not concern are left out.
     *
     * @param  list<Published>  $rules
     */
    public static function start(array $rules, Change\Change $change, Situation $situation, Subject $subject, string $changeId, Cause $cause = new Cause): Started
    {
        $starts = $armings = [];
        foreach ($rules as $published) {
            $trigger = $published->rule->trigger;
            if ($trigger->meets($change, $published->ruleId) || ($change instanceof Change\Asked && $change->ruleId === $published->ruleId)) {
                $starts[] = self::startOne($published, $change, $situation, $subject, $changeId, $cause);
            }
            if (self::isWaitedFor($trigger, $change, $situation)) {
                $arming = self::arm($published, $situation, $situation->now);
                $armings[] = new Arming($arming->ruleId, $arming->dueAt, self::moved($trigger, $change, $situation, $arming->dueAt));
            }
        }

        return new Started($starts, $armings);
    }

    /**
     * When to look next whether a rule that waits for a date, or for quiet, begins for a subject.
     *
     * @param  \DateTimeImmutable  $lastActivity  when something last happened to it
     */
    public static function arm(Published $published, Situation $situation, \DateTimeImmutable $lastActivity): Arming
    {
        $trigger = $published->rule->trigger;
        $now = $situation->now;
        if ($trigger instanceof GoneQuiet) {
            $due = $trigger->for->after($lastActivity, $situation->clocks()->theirs, $situation->clocks()->workingDays);

            return new Arming($published->ruleId, $trigger->while->weigh($situation)->holds() ? $due : null);
        }
        if (! $trigger instanceof DateReached) {
            return new Arming($published->ruleId, null);
        }
        // Past already: it still counts for what is yet to come, and what was to follow long ago stays undone.
        if ($trigger->missed($situation, $now) !== null) {
            return new Arming($published->ruleId, $now);
        }
        $moment = $trigger->next($situation, $now)[0] ?? null;

        return new Arming($published->ruleId, $moment > $now ? $moment : null);
    }

    /**
     * What has come when the moment waited for is there, as things are now; and what is waited for after.
     *
     * @return array{Change\Change|null, Arming}
     */
    public static function came(Published $published, Situation $situation, \DateTimeImmutable $dueAt, \DateTimeImmutable $lastActivity): array
    {
        $trigger = $published->rule->trigger;
        $nothing = new Arming($published->ruleId, null);
        if ($trigger instanceof GoneQuiet) {
            $arming = self::arm($published, $situation, $lastActivity);

            return $arming->dueAt === null || $arming->dueAt > $situation->now ? [null, $arming] : [new Change\WentQuiet($published->ruleId, $lastActivity), $nothing];
        }
        $next = $trigger instanceof DateReached ? $trigger->next($situation, $dueAt->modify('-1 second')) : null;
        if ($trigger instanceof DateReached && ($next === null || $next[0] > $situation->now)) {
            $after = $next[0] ?? null;
            // Its date became known after its moment.
            $next = $trigger->missed($situation, $dueAt);
            if ($next === null) {
                return [null, new Arming($published->ruleId, $after)];
            }
        }
        if (! $trigger instanceof DateReached || $next === null) {
            return [null, $nothing];
        }
        [$moment, $anchor] = $next;

        return [
            new Change\DateCame($published->ruleId, $moment, $anchor, $moment < $dueAt),
            $trigger->eachYear ? new Arming($published->ruleId, $trigger->next($situation, $dueAt)[0] ?? null) : $nothing,
        ];
    }

    /** What is said where the date a rule was waiting for is another now, or gone. */
    private static function moved(Trigger $trigger, Change\Change $change, Situation $situation, ?\DateTimeImmutable $due): ?Reason
    {
        $from = $change instanceof Change\RecordChanged || $change instanceof Change\PersonChanged ? $change->from : [];
        if (! $trigger instanceof DateReached || ! is_string($before = $from[$trigger->field] ?? null)) {
            return null;
        }
        $is = $trigger->anchor($situation);
        $moment = Moment::parse($before);
        $was = $moment === null ? Day::parse($before) : new Moment($moment->at, $is instanceof Moment ? $is->zone : null);
        $old = $was === null ? null : $trigger->nextFor($was, $situation, $situation->now)[0] ?? null;
        if ($old === null || $old <= $situation->now || $old == $due) {
            return null;
        }
        $with = ['from' => Reason::moment($old, $situation->businessZone)];

        return match (true) {
            $is === null => new Reason('start.date_gone', $with),
            $due === null => new Reason('start.date_past', $with),
            default => new Reason('start.date_moved', $with + ['to' => Reason::moment($due, $situation->businessZone)]),
        };
    }

    /** Moves a run as far as it goes at this moment. */
    public static function advance(Rule $rule, RunState $state, Situation $situation): Outcome
    {
        return (new Advance($rule, $state, $situation))->outcome();
    }

    /** Whether a change alters what a rule waits for. A moment that is past counts as new only where its date is. */
    private static function isWaitedFor(Trigger $trigger, Change\Change $change, Situation $situation): bool
    {
        $added = $change instanceof Change\RecordAdded || $change instanceof Change\PersonAdded;
        $changed = $change instanceof Change\RecordChanged || $change instanceof Change\PersonChanged ? $change->to : null;
        if (! $added && $changed === null) {
            return false;
        }
        if (! $trigger instanceof DateReached) {
            return $trigger instanceof GoneQuiet;
        }
        $next = $trigger->next($situation, $situation->now);

        return $added || array_key_exists($trigger->field, $changed ?? []) || ($next !== null && $next[0] > $situation->now && $trigger->missed($situation, $situation->now) === null);
    }

    private static function startOne(Published $published, Change\Change $change, Situation $situation, Subject $subject, string $changeId, Cause $cause): Start
    {
        $rule = $published->rule;
        $id = $published->ruleId;
        $who = ['who' => $situation->who];
        if (! $rule->mayStartAt($situation->now, $situation->businessZone)) {
            return new Start($id, null, new Reason('start.not_its_days', ['first' => $rule->firstDay ?? '', 'last' => $rule->lastDay ?? '']));
        }
        $situation = $situation->but(['ruleId' => $id]);
        $weighed = $rule->conditions->weigh($situation);
        if (! $weighed->holds()) {
            return new Start($id, null, $weighed->reason);
        }
        if ($subject->personId === null) {
            return new Start($id, null, new Reason('start.nobody'));
        }
        if ($situation->optedOut) {
            return new Start($id, null, new Reason('start.opted_out', $who));
        }
        $missing = $change instanceof Change\Asked ? Needs::missing($rule, $situation, $subject->recordId !== null) : [];
        if ($missing !== []) {
            return new Start($id, null, $missing[0]);
        }
        $cut = $cause->cuts($id, $subject);
        if ($cut !== null) {
            return new Start($id, null, $cut);
        }

        $days = $rule->again->days;
        if ($rule->again->policy === AgainPolicy::NotWithin && $days !== null && $published->lastBeganAt !== null
            && Span::days($days)->after($published->lastBeganAt, $situation->clocks()->theirs) > $situation->now) {
            return new Start($id, null, new Reason('start.again_too_soon', $who + ['days' => $days, 'last' => Reason::moment($published->lastBeganAt, $situation->businessZone)]));
        }

        return new Start($id, $rule->again->occasion($subject, self::occasion($change, $subject, $changeId), self::time($change, $subject, $changeId)), new Reason('start.began'), self::begin($rule, $change, $situation->now));
    }

    private static function begin(Rule $rule, Change\Change $change, \DateTimeImmutable $now): RunState
    {
        $state = RunState::begin($rule->firstStep(), $now);

        return match (true) {
            $change instanceof Change\DateCame => $state->but([
                'arrivedAt' => $change->late ? $now : $change->at, 'anchor' => $change->anchor, 'hangsOn' => $change->anchor, 'late' => $change->late,
            ]),
            $change instanceof Change\TextReceived => $state->but(['said' => ['said' => $change->text, 'remark' => $change->remark]]),
            default => $state,
        };
    }

    /** What tells one change from another. What came by the clock came once, however often it is looked for. */
    private static function time(Change\Change $change, Subject $subject, string $changeId): string
    {
        return match (true) {
            $change instanceof Change\DateCame, $change instanceof Change\WentQuiet, $change instanceof Change\CalendarCame => self::occasion($change, $subject, $changeId),
            default => "change:$changeId",
        };
    }

    /** What tells one coming about of a trigger from another. */
    private static function occasion(Change\Change $change, Subject $subject, string $changeId): string
    {
        $about = $subject->name();

        return match (true) {
            $change instanceof Change\DateCame => "date:$about:".$change->anchor->getTimestamp(),
            $change instanceof Change\WentQuiet => "quiet:$about:".$change->since->getTimestamp(),
            $change instanceof Change\CalendarCame => "calendar:$about:".$change->at->getTimestamp(),
            ($change instanceof Change\RecordAdded || $change instanceof Change\RecordChanged) && $subject->startsAt !== null => "at:$about:".$subject->startsAt->getTimestamp(),
            default => "change:$changeId",
        };
    }
}
