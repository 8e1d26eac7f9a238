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
            if ($trigger->isRevisedBy($change, $context)) {
                $scheduled = self::scheduleStart($published, $context, $context->now);
                $scheduledStarts[] = new ScheduledStart(
                    $scheduled->ruleId,
                    $scheduled->dueAt,
                    $trigger->moved($change, $context, $scheduled->dueAt),
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
        return new ScheduledStart($published->ruleId, $published->rule->trigger->nextLook($context, $lastActivity));
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
        $came = $published->rule->trigger->resolveTimer($published->ruleId, $context, $dueAt, $lastActivity);

        return [$came->change, new ScheduledStart($published->ruleId, $came->next)];
    }

    /** Moves a run as far as it goes at this moment. */
    public static function advance(Rule $rule, RunState $state, EvaluationContext $context): Advanced
    {
        return (new Advance($rule, $state, $context))->outcome();
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
        $context = $context->ruleId === $id ? $context : $context->with(['ruleId' => $id]);
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
            $id,
            $rule->again->occasion(
                $subject->personId,
                $subject->recordId,
                self::occasion($change, $subject, $changeId),
                self::time($change, $subject, $changeId),
            ),
            new Reason('start.began'),
            self::begin($rule, $change, $context->now),
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

    /** What tells one coming about of a trigger from another: with somebody else, a record's is another. */
    private static function occasion(Change\Change $change, Subject $subject, string $changeId): string
    {
        $about = $subject->recordId === null ? $subject->name() : "{$subject->name()}:person:$subject->personId";

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
