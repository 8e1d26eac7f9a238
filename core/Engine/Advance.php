<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Context\DeliveryState;
use Linnet\Core\Context\DeliveryStatus;
use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Context\Reply;
use Linnet\Core\Engine\Effect\DropText;
use Linnet\Core\Engine\Effect\Effect;
use Linnet\Core\Engine\Effect\LookUpNumber;
use Linnet\Core\Engine\Effect\PostOut;
use Linnet\Core\Engine\Effect\SendText;
use Linnet\Core\Engine\Effect\SetFields;
use Linnet\Core\Engine\Effect\SetLabel;
use Linnet\Core\Engine\Effect\StartRule;
use Linnet\Core\Engine\Effect\StopRule;
use Linnet\Core\Engine\Effect\Task;
use Linnet\Core\Engine\Effect\Tell;
use Linnet\Core\Money;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change\LabelKind;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\Ask;
use Linnet\Core\Rule\Step\Branch;
use Linnet\Core\Rule\Step\CallOut;
use Linnet\Core\Rule\Step\End;
use Linnet\Core\Rule\Step\GoOnlyIf;
use Linnet\Core\Rule\Step\LookUp;
use Linnet\Core\Rule\Step\MakeChange;
use Linnet\Core\Rule\Step\MakeTask;
use Linnet\Core\Rule\Step\OtherRule;
use Linnet\Core\Rule\Step\Repeat;
use Linnet\Core\Rule\Step\Step;
use Linnet\Core\Rule\Step\TellStaff;
use Linnet\Core\Rule\Step\Text;
use Linnet\Core\Rule\Step\Texting;
use Linnet\Core\Rule\Step\Wait;
use Linnet\Core\Rule\Step\WaitFor;
use Linnet\Core\Rule\Step\WaitForDate;
use Linnet\Core\Rule\Step\WaitUntil;
use Linnet\Core\Time\Day;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\Span;

/** One look at one run: step after step, until it has to wait for something or is over. */
final class Advance
{
    /** So long a run waits for a look-up; then it goes on without. */
    private const LOOK_UP_LIMIT = '+1 hour';

    /** Whoever hands a text over late wakes its run; it looks by itself as well. */
    private const OUTBOX_PAUSE = '+10 minutes';

    /** @var list<Effect> */
    private array $effects = [];

    /** @var list<Reason> */
    private array $trace = [];

    private ?\DateTimeImmutable $wake = null;

    private bool $again = false;

    private readonly EvaluationContext $context;

    public function __construct(private readonly Rule $rule, private RunState $state, EvaluationContext $context)
    {
        $this->context = $context->since($state->beganAt);
    }

    public function outcome(): Advanced
    {
        if (! $this->state->isOver() && $this->stuckInTheOutbox()) {
            return new Advanced($this->state, $this->effects, $this->wake, $this->trace);
        }
        // A step says true where the run has gone on to another, false where it has to wait.
        while (! $this->state->isOver()) {
            if (
                ! (
                    $this->stopsEarly() ||
                    ($this->state->watching ? $this->watchGoal() : $this->execute($this->rule->flow->step((string) $this->state->step)))
                )
            ) {
                break;
            }
        }

        return new Advanced(
            $this->state, $this->effects, $this->state->isOver() ? null : $this->wake, $this->trace,
            $this->again && ! $this->state->isOver(),
        );
    }

    private function execute(?Step $step): bool
    {
        return match (true) {
            $step === null => $this->close('step_gone', new Reason('run.step_gone')),
            $step instanceof Text => $this->text($step),
            $step instanceof Ask => $this->ask($step),
            $step instanceof Wait => $this->until(
                $step->span->after($this->state->arrivedAt, $this->context->clocks()->theirs, $this->context->clocks()->workingDays),
                $step,
            ),
            $step instanceof WaitUntil => $this->until(
                $step->after($this->state->arrivedAt, $this->context->clocks()->zone($step->theirs)),
                $step,
            ),
            $step instanceof WaitForDate => $this->forDate($step),
            $step instanceof WaitFor => $this->for($step),
            $step instanceof GoOnlyIf => $this->goOnlyIf($step),
            $step instanceof Branch => $this->branch($step),
            $step instanceof MakeChange => $this->change($step),
            $step instanceof TellStaff => $this->doAndGoOn(new Tell($this->name($step), $step), $step),
            $step instanceof MakeTask => $this->doAndGoOn(new Task($this->name($step), $step, $step->due?->after(
                $this->context->now, $this->context->clocks()->ours, $this->context->clocks()->workingDays,
            )), $step),
            $step instanceof LookUp => $this->lookUp($step),
            $step instanceof OtherRule => $this->doAndGoOn(
                $step->starts ? new StartRule($this->name($step), $step->rule) : new StopRule($step->rule),
                $step,
            ),
            $step instanceof CallOut => $this->doAndGoOn(new PostOut($this->name($step), $step), $step),
            $step instanceof Repeat => $this->repeat($step),
            $step instanceof End => $this->close($step->outcome, new Reason('run.ended', ['outcome' => $step->outcome])),
        };
    }

    /**
     * What follows a text waits until somebody has taken it. Where nobody would, what hangs on that text is passed over: the run goes on at
     * its next step that waits for a date of its own, or ends.
     *
     * @return bool whether it has to wait
     */
    private function stuckInTheOutbox(): bool
    {
        $sent = $this->state->sent === null ? null : $this->context->statuses[$this->state->sent] ?? null;
        if ($sent === null) {
            return false;
        }
        if ($sent->neverLeft()) {
            $this->state = $this->state->with(['sent' => null]);
            $step = $this->rule->flow->step((string) $this->state->step);
            for ($ahead = $step; $ahead !== null && ! ($ahead instanceof WaitForDate); $ahead = $this->rule->flow->after($ahead->id()));
            if ($step === null || $ahead === $step) {
                return false;
            }
            $this->trace[] = new Reason('run.text_never_left');
            $this->state = $ahead === null ? $this->state->over('never_left') : $this->state->at($ahead->id(), $this->context->now);

            return false;
        }
        // Within the moment in which it passed the gate it counts as gone.
        if ($sent->state !== DeliveryState::Leaving || $sent->at === null || $sent->at >= $this->context->now || $this->stopsEarly()) {
            return false;
        }
        $this->wake = $this->context->now->modify(self::OUTBOX_PAUSE);

        return true;
    }

    /** Whether it is over, or waits for its goal alone, before its next step. */
    private function stopsEarly(): bool
    {
        $context = $this->context;
        $goal = $this->rule->goal;
        if ($goal !== null && $context->now <= $this->goalLimit() && ($met = $goal->condition->weigh($context))->holds()) {
            $value = $goal->value === null ? null : $context->facts->at($goal->value);
            $worth = $value instanceof Money ? $value->amount : (is_numeric($value) ? (string) $value : '');
            $this->state = $this->state->with(['said' => $this->state->said + ['goal_value' => $worth]]);

            return $this->stop('goal', new Reason('goal.met', ['because' => $met->reason->toArray(), 'value' => $worth]), false);
        }
        if ($this->state->watching) {
            return false;
        }
        $who = ['who' => $context->who];
        $moved = $this->dateMoved();
        $while = $this->rule->stopEarly->while?->weigh($context);

        return match (true) {
            $context->optedOut => $this->stop('opted_out', new Reason('stop.opted_out', $who), false),
            $moved !== null => $this->stop('moved', $moved, false),
            $while !== null && ! $while->holds() => $this->stop(
                'no_longer',
                new Reason('stop.no_longer', ['because' => $while->reason->toArray()]),
            ),
            $this->rule->stopEarly->onReply && $this->repliedOutOfTurn() => $this->stop('replied', new Reason('stop.replied', $who)),
            default => false,
        };
    }

    /** The person texted, and it was neither put to the open question nor waited for. */
    private function repliedOutOfTurn(): bool
    {
        $last = $this->context->lastReplyAt;
        $step = $this->rule->flow->step((string) $this->state->step);
        if (
            $last === null ||
            $last <= ($this->state->repliesFrom ?? $this->state->beganAt) ||
            ($step instanceof WaitFor && $step->reply && $last > $this->state->arrivedAt)
        ) {
            return false;
        }
        $replies = $this->context->replies;

        return $this->state->askedAt === null || $replies === [] || $replies[count($replies) - 1]->at < $last;
    }

    /** The date that started it is another now, so it starts again for that one. */
    private function dateMoved(): ?Reason
    {
        return $this->state->hangsOn === null ? null : $this->rule->trigger->lapsed($this->state->hangsOn, $this->context);
    }

    private function text(Text $step): bool
    {
        if ($step->outgoing->to->isBeside()) {
            return $this->textBeside($step);
        }
        $status = $this->sent($step);
        if ($status === null || $status->isWaiting()) {
            return $status === null && $this->state->step !== $step->id;
        }
        $this->noteSent($step, $status);

        return $this->next($step, $status->at ?? $this->context->now);
    }

    /** Whoever else has to do with the record is texted in their own time: nothing here waits for it. */
    private function textBeside(Text $step): bool
    {
        if ($this->state->late && $this->isTooLate($step)) {
            $this->trace[] = new Reason('text.too_late');
            $this->state = $this->state->with(['late' => false]);

            return $this->next($step, $this->context->now);
        }
        $wanted = $this->state->arrivedAt;

        return $this->doAndGoOn(new SendText($this->name($step), $step, $wanted, $this->state->round, $this->state->anchor), $step);
    }

    private function ask(Ask $step): bool
    {
        if ($this->state->askedAt === null) {
            $status = $this->sent($step);
            if ($status === null || $status->isWaiting()) {
                return $status === null && $this->state->step !== $step->id;
            }
            $this->noteSent($step, $status);
            if ($status->neverLeft()) {
                $this->trace[] = new Reason('ask.not_put');

                return $this->next($step, $status->at ?? $this->context->now);
            }
            $this->state = $this->state->with(['askedAt' => $status->at ?? $this->context->now, 'awaits' => null]);
        }
        $asked = $this->state->askedAt ?? $this->context->now;
        $until = $step->within->after($asked, $this->context->clocks()->theirs, $this->context->clocks()->workingDays);
        foreach ($this->context->replies as $reply) {
            if ($reply->id <= $this->state->heard || $reply->at > $until) {
                continue;
            }
            $this->state = $this->state->with(['heard' => $reply->id, 'repliesFrom' => $reply->at]);
            if ($reply->answer !== null && isset($step->answers[$reply->answer])) {
                $answer = $step->answers[$reply->answer];
                $this->trace[] = new Reason('ask.answered', ['who' => $this->context->who, 'answer' => $answer->label]);
                $this->state = $this->state->with([
                    'said' => ['answer' => $answer->label, 'remark' => $reply->remark, 'said' => $reply->text] + $this->state->said,
                ]);
                $this->again = true;
                $this->enter($answer->steps, $step, $reply->at);

                // What was said is known from the next look on.
                return false;
            }
            $this->unclear($step, $reply);
        }
        if ($until > $this->context->now) {
            return $this->sleep($until);
        }
        $this->trace[] = new Reason('ask.no_answer', ['who' => $this->context->who]);

        return $this->enter($step->noAnswer, $step, $until);
    }

    private function noteSent(Texting $step, DeliveryStatus $status): void
    {
        if (! $status->neverLeft() && $step->outgoing()->to->isPerson()) {
            $this->state = $this->state->with(['sent' => $this->state->awaits]);
        }
    }

    private function unclear(Ask $step, Reply $reply): void
    {
        if ($step->unclear === null || $this->state->clarified) {
            $this->trace[] = new Reason('ask.unclear', ['who' => $this->context->who]);

            return;
        }
        $this->trace[] = new Reason('ask.asked_again', ['who' => $this->context->who]);
        $this->state = $this->state->with(['clarified' => true]);
        $this->effects[] = new SendText($this->name($step).'/unclear', $step, $reply->at, $this->state->round, words: $step->unclear);
    }

    /** The fate of the step's text; null where it has only been asked for now, or is skipped. */
    private function sent(Ask|Text $step): ?DeliveryStatus
    {
        if ($this->state->awaits !== null) {
            return $this->context->statuses[$this->state->awaits] ?? DeliveryStatus::waiting();
        }
        $own = $this->state->own[$this->name($step)] ?? null;
        if ($own?->at !== null && $own->at > $this->context->now) {
            $this->sleep($own->at);

            return null;
        }
        if ($this->state->late && $own?->at === null && $this->isTooLate($step)) {
            $this->trace[] = new Reason('text.too_late');
            $this->state = $this->state->with(['late' => false]);
            $this->next($step, $this->context->now);

            return null;
        }
        $this->state = $this->state->with(['late' => false, 'awaits' => $this->name($step)]);
        $wanted = $own->at ?? $this->state->arrivedAt;
        $this->effects[] = new SendText($this->name($step), $step, $wanted, $this->state->round, $this->state->anchor);

        return null;
    }

    private function isTooLate(Texting $step): bool
    {
        $ifLate = $step->outgoing()->ifLate;
        if ($ifLate->left === null || $this->state->anchor === null) {
            return $ifLate->skip;
        }

        return $ifLate->left->after($this->context->now, $this->context->clocks()->theirs, $this->context->clocks()->workingDays) >
            $this->state->anchor;
    }

    private function forDate(WaitForDate $step): bool
    {
        $date = $this->context->facts->at($step->field);
        $date = is_string($date) ? Moment::parse($date) ?? Day::parse($date) : $date;
        if (! $date instanceof Moment && ! $date instanceof Day) {
            return $this->close('no_date', new Reason('run.no_date', ['field' => $this->context->label($step->field)]));
        }
        $clocks = $this->context->clocks();
        $until = $step->offset->moment($date, $clocks);
        $anchor = $date instanceof Moment ? $date->at : new \DateTimeImmutable($date->date, $clocks->zone($step->offset->theirs));
        if ($this->hasToWait($until, $step)) {
            return false;
        }
        // Past when the run came to it, not only by now.
        $late = $until < $this->state->arrivedAt;
        $this->state = $this->state->with(['anchor' => $anchor, 'late' => $late]);

        return $this->next($step, max(min($until, $this->context->now), $this->state->arrivedAt));
    }

    private function for(WaitFor $step): bool
    {
        $replied = $this->context->lastReplyAt;
        if ($step->reply && $replied !== null && $replied > $this->state->arrivedAt) {
            $this->trace[] = new Reason('wait.replied', ['who' => $this->context->who]);
            $this->state = $this->state->with(['repliesFrom' => $replied]);

            return $this->next($step, $this->context->now);
        }
        $weighed = $step->condition?->weigh($this->context);
        if ($weighed !== null && $weighed->holds()) {
            $this->trace[] = new Reason('wait.holds', ['because' => $weighed->reason->toArray()]);

            return $this->next($step, $this->context->now);
        }
        $until = $step->atMost->after($this->state->arrivedAt, $this->context->clocks()->theirs, $this->context->clocks()->workingDays);
        if ($until > $this->context->now) {
            return $this->sleep($until);
        }
        $this->trace[] = new Reason('wait.limit');

        return $this->next($step, $until);
    }

    private function goOnlyIf(GoOnlyIf $step): bool
    {
        $weighed = $step->condition->weigh($this->context);

        return $weighed->holds()
            ? $this->next($step, $this->state->arrivedAt)
            : $this->close('not_going_on', new Reason('run.not_going_on', ['because' => $weighed->reason->toArray()]));
    }

    private function branch(Branch $step): bool
    {
        $refused = [];
        foreach ($step->cases as $i => [$condition, $steps]) {
            $weighed = $condition->weigh($this->context);
            if ($weighed->holds()) {
                array_push($this->trace, ...$refused);
                $this->trace[] = new Reason('branch.case', ['because' => $weighed->reason->toArray(), 'case' => $i + 1]);

                return $this->enter($steps, $step, $this->state->arrivedAt);
            }
            $refused[] = new Reason('branch.not_case', ['because' => $weighed->reason->toArray(), 'case' => $i + 1]);
        }
        array_push($this->trace, ...$refused);
        $this->trace[] = new Reason('branch.otherwise');

        return $this->enter($step->otherwise, $step, $this->state->arrivedAt);
    }

    private function change(MakeChange $step): bool
    {
        if ($step->set !== []) {
            $this->effects[] = new SetFields($this->name($step), $step->set, $step->record);
        }
        foreach ([[$step->remove, false], [$step->add, true]] as [$labels, $added]) {
            foreach (LabelKind::cases() as $kind) {
                foreach ($labels[$kind->value] as $label) {
                    $this->effects[] = new SetLabel($kind, $label, $added);
                }
            }
        }
        $this->again = true;
        $this->next($step, $this->state->arrivedAt);

        return false;
    }

    private function lookUp(LookUp $step): bool
    {
        $standing = $this->context->standing;
        $known = $standing->lookedUpAt;
        if (
            $standing->number === null ||
            ($known !== null && $known > Span::days($step->rememberDays)->before($this->context->now, $this->context->clocks()->ours))
        ) {
            return $this->next($step, $this->state->awaits === null ? $this->state->arrivedAt : $this->context->now);
        }
        if ($this->state->awaits !== null) {
            $limit = $this->state->arrivedAt->modify(self::LOOK_UP_LIMIT);
            if (
                ($this->context->statuses[$this->state->awaits] ?? DeliveryStatus::waiting())->isWaiting() &&
                $limit > $this->context->now
            ) {
                return $this->sleep($limit);
            }
            $this->trace[] = new Reason('run.not_looked_up');

            return $this->next($step, $this->context->now);
        }
        $this->state = $this->state->awaiting($this->name($step))->with(['arrivedAt' => $this->context->now]);
        $this->wake = $this->context->now->modify(self::LOOK_UP_LIMIT);
        $this->effects[] = new LookUpNumber($this->name($step));

        return false;
    }

    private function repeat(Repeat $step): bool
    {
        $gone = $this->state->times[$step->id] ?? 0;
        $until = $step->until?->weigh($this->context);
        if ($gone >= $step->times || ($until !== null && $until->holds())) {
            $this->trace[] =
                $gone >= $step->times
                    ? new Reason('repeat.spent', ['times' => $gone])
                    : new Reason('repeat.done', ['because' => $until?->reason->toArray() ?? []]);

            return $this->next($step, $this->state->arrivedAt);
        }
        $due =
            $step->every?->after($this->state->arrivedAt, $this->context->clocks()->theirs, $this->context->clocks()->workingDays) ??
            $this->state->arrivedAt;
        if ($due > $this->context->now) {
            return $this->sleep($due);
        }
        // Repeats that stand in between begin to count anew.
        $places = array_flip(array_keys($this->rule->flow->steps));
        $times = array_filter(
            $this->state->times,
            fn (string $id): bool => isset($places[$id]) && ($places[$id] < $places[$step->to] || $places[$id] > $places[$step->id]),
            ARRAY_FILTER_USE_KEY,
        );
        $this->state = $this->state
            ->at($step->to, $due)
            ->with(['round' => $this->state->round + 1, 'times' => [...$times, $step->id => $gone + 1]]);

        return true;
    }

    /** Steps done, or stopped, and waiting for the goal: until its time is over. */
    private function watchGoal(): bool
    {
        $limit = $this->goalLimit();
        if ($limit > $this->context->now) {
            return $this->sleep($limit);
        }
        $this->trace[] = new Reason('goal.not_met');
        $this->state = $this->state->over($this->state->outcome ?? 'finished');

        return false;
    }

    private function doAndGoOn(Effect $effect, Step $step): bool
    {
        $this->effects[] = $effect;

        return $this->next($step, $this->state->arrivedAt);
    }

    private function until(\DateTimeImmutable $until, Step $step): bool
    {
        return ! $this->hasToWait($until, $step) && $this->next($step, min($until, $this->context->now));
    }

    /** Until its moment, or until that to which somebody moved up the text it waits for. */
    private function hasToWait(\DateTimeImmutable $until, Step $step): bool
    {
        $ahead = $this->rule->flow->after($step->id());
        while ($ahead instanceof Wait || $ahead instanceof WaitUntil || $ahead instanceof WaitForDate) {
            $ahead = $this->rule->flow->after($ahead->id());
        }
        $moved = $ahead instanceof Texting ? $this->state->own[$this->name($ahead)] ?? null : null;
        if ($moved?->at !== null && $moved->at < $until) {
            $until = $moved->at;
        }

        return $until > $this->context->now && ! $this->sleep($until);
    }

    /** @param  list<Step>  $steps */
    private function enter(array $steps, Step $from, \DateTimeImmutable $when): bool
    {
        if ($steps === []) {
            return $this->next($from, $when);
        }
        $this->state = $this->state->at($steps[0]->id(), $when);

        return true;
    }

    private function next(Step $step, \DateTimeImmutable $when): bool
    {
        $next = $this->rule->flow->after($step->id());
        if ($next === null) {
            return $this->close('finished', new Reason('run.finished'));
        }
        $this->state = $this->state->at($next->id(), $when);

        return true;
    }

    private function close(string $outcome, Reason $reason): bool
    {
        $this->trace[] = $reason;
        $watches = $this->rule->goal !== null && $this->goalLimit() > $this->context->now;
        $this->state = $watches ? $this->state->awaitGoal($outcome) : $this->state->over($outcome);

        return true;
    }

    /** @param  bool  $watches  the goal may still be met afterwards */
    private function stop(string $outcome, Reason $reason, bool $watches = true): bool
    {
        if ($this->state->awaits !== null && ! ($this->rule->flow->step((string) $this->state->step) instanceof LookUp)) {
            $this->effects[] = new DropText($this->state->awaits, $reason);
        }
        $sent = $this->state->sent === null ? null : $this->context->statuses[$this->state->sent] ?? null;
        if ($this->state->sent !== null && $sent !== null && $sent->state === DeliveryState::Leaving && $sent->at < $this->context->now) {
            $this->effects[] = new DropText($this->state->sent, $reason);
        }
        if (! $watches) {
            $this->trace[] = $reason;
            $this->state = $this->state->over($outcome);

            return true;
        }

        return $this->close($outcome, $reason);
    }

    private function sleep(\DateTimeImmutable $until): bool
    {
        $this->wake = $until;

        return false;
    }

    private function goalLimit(): \DateTimeImmutable
    {
        return $this->rule->goal?->within->after(
            $this->state->beganAt,
            $this->context->clocks()->theirs,
            $this->context->clocks()->workingDays,
        ) ?? $this->state->beganAt;
    }

    private function name(Step $step): string
    {
        return $step->id().'/'.$this->state->round;
    }
}
