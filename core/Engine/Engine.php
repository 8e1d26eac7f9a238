<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Context\Subject;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change;
use Linnet\Core\Rule\AgainPolicy;
use Linnet\Core\Rule\Needs;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Trigger\DateReached;
use Linnet\Core\Rule\Trigger\GoneQuiet;
use Linnet\Core\Rule\Trigger\Trigger;
use Linnet\Core\Time\Day;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\Span;

/** The decisions of a rule's life, pure: the same inputs give the same outputs, live and rehearsed alike. */
final class Engine
{
    /**
     * Which rules a change starts, and which wait from now on. Rules it does not concern are left out.
     *
     * @param  list<Published>  $rules
     */
    public static function start(
        array $rules,
        Change\Change $change,
        EvaluationContext $context,
        Subject $subject,
        string $changeId,
        Cause $cause = new Cause,
    ): Started {
        $starts = $scheduledStarts = [];
        foreach ($rules as $published) {
            $trigger = $published->rule->trigger;
            if (
                $trigger->meets($change, $published->ruleId) ||
                ($change instanceof Change\Asked && $change->ruleId === $published->ruleId)
            ) {
                $starts[] = self::startOne($published, $change, $context, $subject, $changeId, $cause);
            }
            if (self::isWaitedFor($trigger, $change, $context)) {
                $scheduled = self::scheduleStart($published, $context, $context->now);
                $scheduledStarts[] = new ScheduledStart(
                    $scheduled->ruleId,
                    $scheduled->dueAt,
                    self::moved($trigger, $change, $context, $scheduled->dueAt),
                );
            }
        }

        return new Started($starts, $scheduledStarts);
    }

    /**
     * When to look next whether a rule that waits for a date, or for quiet, begins for a subject.
     *
     * @param  \DateTimeImmutable  $lastActivity  when something last happened to it
     */
    public static function scheduleStart(Published $published, EvaluationContext $context, \DateTimeImmutable $lastActivity): ScheduledStart
    {
        $trigger = $published->rule->trigger;
        $now = $context->now;
        if ($trigger instanceof GoneQuiet) {
            $due = $trigger->for->after($lastActivity, $context->clocks()->theirs, $context->clocks()->workingDays);

            return new ScheduledStart($published->ruleId, $trigger->while->weigh($context)->holds() ? $due : null);
        }
        if (! $trigger instanceof DateReached) {
            return new ScheduledStart($published->ruleId, null);
        }
        // Past already: it still counts for what is yet to come, and what was to follow long ago stays undone.
        if ($trigger->missed($context, $now) !== null) {
            return new ScheduledStart($published->ruleId, $now);
        }
        $moment = $trigger->next($context, $now)[0] ?? null;

        return new ScheduledStart($published->ruleId, $moment > $now ? $moment : null);
    }

    /**
     * What has come when the moment waited for is there, as things are now; and what is waited for after.
     *
     * @return array{Change\Change|null, ScheduledStart}
     */
    public static function resolveTimer(
        Published $published,
        EvaluationContext $context,
        \DateTimeImmutable $dueAt,
        \DateTimeImmutable $lastActivity,
    ): array {
        $trigger = $published->rule->trigger;
        $nothing = new ScheduledStart($published->ruleId, null);
        if ($trigger instanceof GoneQuiet) {
            $scheduled = self::scheduleStart($published, $context, $lastActivity);

            return $scheduled->dueAt === null || $scheduled->dueAt > $context->now
                ? [null, $scheduled]
                : [new Change\WentQuiet($published->ruleId, $lastActivity), $nothing];
        }
        $next = $trigger instanceof DateReached ? $trigger->next($context, $dueAt->modify('-1 second')) : null;
        if ($trigger instanceof DateReached && ($next === null || $next[0] > $context->now)) {
            $after = $next[0] ?? null;
            // Its date became known after its moment.
            $next = $trigger->missed($context, $dueAt);
            if ($next === null) {
                return [null, new ScheduledStart($published->ruleId, $after)];
            }
        }
        if (! $trigger instanceof DateReached || $next === null) {
            return [null, $nothing];
        }
        [$moment, $anchor] = $next;

        return [
            new Change\DateCame($published->ruleId, $moment, $anchor, $moment < $dueAt),
            $trigger->eachYear ? new ScheduledStart($published->ruleId, $trigger->next($context, $dueAt)[0] ?? null) : $nothing,
        ];
    }

    /** What is said where the date a rule was waiting for is another now, or gone. */
    private static function moved(Trigger $trigger, Change\Change $change, EvaluationContext $context, ?\DateTimeImmutable $due): ?Reason
    {
        $from = $change instanceof Change\RecordChanged || $change instanceof Change\PersonChanged ? $change->from : [];
        if (! $trigger instanceof DateReached || ! is_string($before = $from[$trigger->field] ?? null)) {
            return null;
        }
        $is = $trigger->anchor($context);
        $moment = Moment::parse($before);
        $was = $moment === null ? Day::parse($before) : new Moment($moment->at, $is instanceof Moment ? $is->zone : null);
        $old = $was === null ? null : $trigger->nextFor($was, $context, $context->now)[0] ?? null;
        if ($old === null || $old <= $context->now || $old == $due) {
            return null;
        }
        $with = ['from' => Reason::moment($old, $context->businessZone)];

        return match (true) {
            $is === null => new Reason('start.date_gone', $with),
            $due === null => new Reason('start.date_past', $with),
            default => new Reason('start.date_moved', $with + ['to' => Reason::moment($due, $context->businessZone)]),
        };
    }

    /** Moves a run as far as it goes at this moment. */
    public static function advance(Rule $rule, RunState $state, EvaluationContext $context): Advanced
    {
        return (new Advance($rule, $state, $context))->outcome();
    }

    /** Whether a change alters what a rule waits for. A moment that is past counts as new only where its date is. */
    private static function isWaitedFor(Trigger $trigger, Change\Change $change, EvaluationContext $context): bool
    {
        $added = $change instanceof Change\RecordAdded || $change instanceof Change\PersonAdded;
        $changed = $change instanceof Change\RecordChanged || $change instanceof Change\PersonChanged ? $change->to : null;
        if (! $added && $changed === null) {
            return false;
        }
        if (! $trigger instanceof DateReached) {
            return $trigger instanceof GoneQuiet;
        }
        $next = $trigger->next($context, $context->now);

        return $added ||
            array_key_exists($trigger->field, $changed ?? []) ||
            ($next !== null && $next[0] > $context->now && $trigger->missed($context, $context->now) === null);
    }

    private static function startOne(
        Published $published,
        Change\Change $change,
        EvaluationContext $context,
        Subject $subject,
        string $changeId,
        Cause $cause,
    ): Start {
        $rule = $published->rule;
        $id = $published->ruleId;
        $who = ['who' => $context->who];
        if (! $rule->mayStartAt($context->now, $context->businessZone)) {
            return new Start(
                $id,
                null,
                new Reason('start.not_its_days', ['first' => $rule->firstDay ?? '', 'last' => $rule->lastDay ?? '']),
            );
        }
        $context = $context->with(['ruleId' => $id]);
        $weighed = $rule->conditions->weigh($context);
        if (! $weighed->holds()) {
            return new Start($id, null, $weighed->reason);
        }
        if ($subject->personId === null) {
            return new Start($id, null, new Reason('start.nobody'));
        }
        if ($context->optedOut) {
            return new Start($id, null, new Reason('start.opted_out', $who));
        }
        $missing = $change instanceof Change\Asked ? Needs::missing($rule, $context, $subject->recordId !== null) : [];
        if ($missing !== []) {
            return new Start($id, null, $missing[0]);
        }
        $cut = $cause->cuts($id, $subject);
        if ($cut !== null) {
            return new Start($id, null, $cut);
        }

        $days = $rule->again->days;
        if (
            $rule->again->policy === AgainPolicy::NotWithin &&
            $days !== null &&
            $published->lastBeganAt !== null &&
            Span::days($days)->after($published->lastBeganAt, $context->clocks()->theirs) > $context->now
        ) {
            return new Start(
                $id,
                null,
                new Reason(
                    'start.again_too_soon',
                    $who + ['days' => $days, 'last' => Reason::moment($published->lastBeganAt, $context->businessZone)],
                ),
            );
        }

        return new Start(
            $id, $rule->again->occasion($subject, self::occasion($change, $subject, $changeId), self::time($change, $subject, $changeId)),
            new Reason('start.began'), self::begin($rule, $change, $context->now),
        );
    }

    private static function begin(Rule $rule, Change\Change $change, \DateTimeImmutable $now): RunState
    {
        $state = RunState::begin($rule->firstStep(), $now);

        return match (true) {
            $change instanceof Change\DateCame => $state->with([
                'arrivedAt' => $change->late ? $now : $change->at, 'anchor' => $change->anchor, 'hangsOn' => $change->anchor,
                'late' => $change->late,
            ]),
            $change instanceof Change\TextReceived => $state->with(['said' => ['said' => $change->text, 'remark' => $change->remark]]),
            default => $state,
        };
    }

    /** What tells one change from another. What came by the clock came once, however often it is looked for. */
    private static function time(Change\Change $change, Subject $subject, string $changeId): string
    {
        return match (true) {
            $change instanceof Change\DateCame,
            $change instanceof Change\WentQuiet,
            $change instanceof Change\CalendarCame => self::occasion($change, $subject, $changeId),
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
            ($change instanceof Change\RecordAdded || $change instanceof Change\RecordChanged)
                && $subject->startsAt !== null => "at:$about:".$subject->startsAt->getTimestamp(),
            default => "change:$changeId",
        };
    }
}
