<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Context\DeliveryStatus;
use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\Effect\DropText;
use Linnet\Core\Engine\Effect\Effect;
use Linnet\Core\Engine\Effect\SendText;
use Linnet\Core\Engine\Port\BusinessReader;
use Linnet\Core\Engine\Port\RunStore;
use Linnet\Core\Reason;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Change\Asked;
use Linnet\Core\Record\Change\CalendarCame;
use Linnet\Core\Record\Change\RecordChanged;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\AgainPolicy;
use Linnet\Core\Rule\Condition\Conditions;
use Linnet\Core\Rule\OnWriting;

/** Takes what happens through start, advance and gate, on books that are real or of paper: life and rehearsal alike. */
final readonly class Conductor
{
    /** A run that asks to be looked at again at once more often is left until its next moment. */
    private const LOOKS = 200;

    public function __construct(
        private BusinessReader $reader,
        private RunStore $runs,
        private ContextFactory $contexts,
        private OutboundMessages $outbound,
        private EffectHandler $effects,
    ) {
    }

    /** Something happened: rules may begin, and the runs of those it touches are looked at. */
    public function handle(DomainEvent $why): void
    {
        $this->partWays($why);
        $this->start($why, $this->reader->rules());
        if ($why->subject->personId !== null) {
            $this->lookAt($why->subject->personId);
        }
    }

    /** A record that is somebody else's now is no longer what the runs of whoever had it are about. */
    private function partWays(DomainEvent $why): void
    {
        $id = $why->subject->recordId;
        if ($id === null || ! $why->change instanceof RecordChanged || ! $why->change->isPassedOn) {
            return;
        }
        $whose = $this->reader->record($id)?->personId;
        foreach ($this->runs->liveAbout($id) as $run) {
            if ($run->personId() !== $whose) {
                $this->effects->end($run, new Reason('stop.passed_on', ['who' => $this->contextOf($run)->who]), 'passed_on');
            }
        }
    }

    /**
     * @param  list<Published>  $rules
     * @param  EvaluationContext|null  $known  of the subject, where it was put together for these rules just now
     * @return list<Start> what became of each rule it concerns
     */
    public function start(DomainEvent $why, array $rules, ?EvaluationContext $known = null): array
    {
        $rules = array_values(
            array_filter(
                $rules,
                fn (Published $p): bool => $p->rule->trigger->meets($why->change, $p->ruleId) ||
                    $p->rule->trigger->isAwaited() ||
                    $why->change instanceof Asked,
            ),
        );
        $rules = array_values(array_filter($rules, fn (Published $p): bool => $this->isAbout($p, $why)));
        if ($rules === []) {
            return [];
        }
        $context = ($known ?? $this->contextFor($why, $rules))->later($why->at);
        $person = $why->subject->personId;
        $started = Engine::start(
            array_map(
                fn (Published $p): Published => $person === null || $p->rule->again->policy !== AgainPolicy::NotWithin
                    ? $p
                    : new Published($p->ruleId, $p->rule, $this->runs->lastBegan($p->ruleId, $person)),
                $rules,
            ),
            $why->change,
            $context,
            $why->subject,
            $why->id,
            $why->cause,
        );
        foreach ($started->scheduledStarts as $scheduled) {
            $this->runs->scheduleStart($scheduled, $why->subject);
            if ($scheduled->reason !== null) {
                $this->runs->note($scheduled->reason, $scheduled->ruleId, null, $why->subject);
            }
        }
        $byId = array_column($rules, null, 'ruleId');
        foreach ($started->starts as $start) {
            $this->begin($start, $byId[$start->ruleId], $why, $context, $known);
        }

        return $started->starts;
    }

    /** @param  non-empty-list<Published>  $rules */
    private function contextFor(DomainEvent $why, array $rules): EvaluationContext
    {
        return $this->contexts->create(
            $why->subject, $why->line,
            array_values(array_unique(array_merge(...array_map(fn (Published $p): array => $p->rule->relatedTypes, $rules)))),
            lastTexts: array_filter($rules, fn (Published $p): bool => $p->rule->asksForTexts) !== [],
        );
    }

    /** The moment a rule waited for is there. @return bool whether it had really come */
    public function resolveTimer(Published $published, Subject $subject, \DateTimeImmutable $dueAt, string $id): bool
    {
        $context = $this->contexts->create($subject, null, $published->rule->relatedTypes, $published->ruleId);
        [$change, $scheduled] = Engine::resolveTimer($published, $context, $dueAt, $this->contexts->lastActivity($subject));
        $this->runs->scheduleStart($scheduled, $subject);
        if ($change !== null) {
            $this->start(new DomainEvent($id, $change, $subject, $this->reader->now()), [$published]);
        }

        return $change !== null;
    }

    /** A rule was switched on: it waits for what it begins by, about one of those there are. */
    public function await(Published $published, Subject $subject): void
    {
        // Of all that the rule asks about, its trigger alone is asked.
        $condition = $published->rule->trigger->condition();
        $related = $condition === null ? [] : Conditions::relatedTypes($condition);
        $lastTexts = $condition !== null && Conditions::asksForTexts($condition);
        $context = $this->contexts->create($subject, null, $related, $published->ruleId, [], $lastTexts);
        $this->runs->scheduleStart(Engine::scheduleStart($published, $context, $this->contexts->lastActivity($subject)), $subject);
    }

    /** A rule's calendar has come to one who may belong to its audience. */
    public function calledUp(Published $published, Subject $subject, \DateTimeImmutable $at): void
    {
        $context = $this->contexts->create(
            $subject, null, $published->rule->relatedTypes, $published->ruleId, lastTexts: $published->rule->asksForTexts,
        );
        if ($published->rule->trigger->condition()?->weigh($context)->holds() !== false) {
            $id = "calendar:$published->ruleId:{$subject->name()}:{$at->getTimestamp()}";
            $event = new DomainEvent($id, new CalendarCame($published->ruleId, $at), $subject, $this->reader->now());
            $this->start($event, [$published], $context);
        }
    }

    /** Whatever held a run's text may have been this: it is asked about again. */
    public function lookAt(int $personId): void
    {
        foreach ($this->runs->liveOf($personId) as $run) {
            $this->advance($run, $run->state->awaits === null ? null : $this->effects->text($run, $run->state->awaits));
        }
    }

    /**
     * @param  OutText|null  $ask  a text of the run to put before the gate again first
     * @param  EvaluationContext|null  $context  what it may look at, where that is known
     */
    public function advance(Run $run, ?OutText $ask = null, ?EvaluationContext $context = null): void
    {
        if ($run->state->isOver() || $run->state->aside) {
            return;
        }
        $sees = null;
        for ($looks = 0; $looks < self::LOOKS; $looks++) {
            $context ??= $this->contextOf($run);
            $sees ??= $context->since($run->state->beganAt);
            if ($ask !== null && $ask->status()->isWaiting() && $this->mayStillBe($run, $context)) {
                $this->outbound->evaluate($ask, $context);
            }
            $ask = null;
            $outcome = Engine::advance($run->rule, $run->state, $sees->later($context->now, $this->statuses($run)));
            $run->state = $outcome->state;
            foreach ($outcome->trace as $reason) {
                $this->runs->note($reason, $run->ruleId, $run, $run->subject);
            }
            $moved = false;
            foreach ($outcome->effects as $effect) {
                $moved = $this->perform($effect, $run, $context) || $moved;
            }
            if (! $outcome->again && ! $moved) {
                break;
            }
            if ($outcome->again || $run->rule->asksForTexts || ! self::areTexts($outcome->effects)) {
                $context = $sees = null;
            }
        }
        $this->runs->save($run, $outcome->wake);
    }

    /**
     * Somebody decides of one of a run's texts, whether it has come to it or not.
     *
     * @param  \Closure(OwnText): OwnText  $change  of what was decided so far
     * @return bool false where it has left, or will not
     */
    public function decide(Run $run, string $name, \Closure $change): bool
    {
        $text = $this->effects->text($run, $name);
        if ($text !== null && ! $text->status()->isWaiting()) {
            return false;
        }
        if ($run->state->isOver() && $text === null) {
            return false;
        }
        $run->state = $run->state->deciding($name, $change($run->state->own[$name] ?? new OwnText));
        if ($run->state->isOver()) {
            $this->runs->keep($run);
            $text === null || $this->outbound->evaluate($text, $this->contextOf($run));

            return true;
        }
        // While its rule is paused, or it stands aside, nothing of it moves.
        $run->power === ActivationState::On && ! $run->state->aside ? $this->advance($run, $text) : $this->runs->keep($run);

        return true;
    }

    /** One of us writes to somebody: their runs stop, or stand aside, as their rules say. */
    public function wrote(int $personId, string $staff): void
    {
        foreach ($this->runs->liveOf($personId) as $run) {
            if ($run->rule->stopEarly->onWriting === null || $run->state->isOver() || $run->state->aside) {
                continue;
            }
            if ($run->rule->stopEarly->onWriting === OnWriting::StandAside) {
                $run->state = $run->state->with(['aside' => true]);
                $this->runs->note(new Reason('run.aside', ['staff' => $staff]), $run->ruleId, $run, $run->subject);
                $this->runs->save($run, null);
            } else {
                $this->effects->end($run, new Reason('stop.we_wrote', ['staff' => $staff]), 'we_wrote');
            }
        }
    }

    /** @return bool false where it did not stand aside */
    public function giveBack(Run $run, string $staff): bool
    {
        if (! $run->state->aside || $run->state->isOver()) {
            return false;
        }
        $run->state = $run->state->with(['aside' => false]);
        $this->runs->note(new Reason('run.given_back', ['staff' => $staff]), $run->ruleId, $run, $run->subject);
        $run->power === ActivationState::On
            ? $this->advance($run, $run->state->awaits === null ? null : $this->effects->text($run, $run->state->awaits))
            : $this->runs->keep($run);

        return true;
    }

    /**
     * Texts alone change nothing of what their run looks at next, unless it asks about texts.
     *
     * @param  list<Effect>  $effects
     */
    private static function areTexts(array $effects): bool
    {
        foreach ($effects as $effect) {
            if (! $effect instanceof SendText && ! $effect instanceof DropText) {
                return false;
            }
        }

        return true;
    }

    /** Before a held text is asked about again, the run itself may have come to its end. */
    private function mayStillBe(Run $run, EvaluationContext $context): bool
    {
        return ! Engine::advance($run->rule, $run->state, $context)->state->isOver();
    }

    /** @return array<string, DeliveryStatus> of the text or look-up a run waits for, and of the last text it sent */
    private function statuses(Run $run): array
    {
        $statuses = [];
        foreach (array_filter([$run->state->awaits, $run->state->sent]) as $name) {
            $status = $this->effects->status($run, $name);
            if ($status !== null) {
                $statuses[$name] = $status;
            }
        }

        return $statuses;
    }

    /** @param  EvaluationContext|null  $known  what the run may look at first, where that was put together for it just now */
    private function begin(
        Start $start,
        Published $published,
        DomainEvent $why,
        EvaluationContext $context,
        ?EvaluationContext $known,
    ): void {
        if ($start->occasion === null || $start->state === null) {
            $this->runs->note($start->reason, $start->ruleId, null, $why->subject);

            return;
        }
        $run = $this->runs->begin($published, $why->subject, $start->occasion, $start->state, $why);
        if ($run === null) {
            $this->runs->note(new Reason('start.before', ['who' => $context->who]), $start->ruleId, null, $why->subject);

            return;
        }
        $this->runs->note($start->reason, $start->ruleId, $run, $why->subject);
        $own = $this->runs->decidedBefore($start->ruleId, $why->subject);
        $run->state = $own === [] ? $run->state : $run->state->with(['own' => $own]);
        $this->advance($run, null, $run->state->said === [] ? $known : null);
    }

    /** What a run may look at now. */
    public function contextOf(Run $run): EvaluationContext
    {
        $replies = $run->state->askedAt === null ? [] : $this->reader->replies($run->id, $run->state->heard);

        $context = $this->contexts->create(
            $run->subject, $run->line, $run->rule->relatedTypes, $run->ruleId, $replies, $run->rule->asksForTexts,
        );
        // What was said to the run may be asked about, and merged into its texts.
        foreach ($run->state->said as $name => $value) {
            $context = $context->knowing($name, $value);
        }

        return $context;
    }

    /** @return bool whether it may move the run on at once */
    private function perform(Effect $effect, Run $run, EvaluationContext $context): bool
    {
        if ($effect instanceof SendText) {
            $status = $this->outbound->request($run, $effect, $context);

            return $effect->name === $run->state->awaits && ! $status->isWaiting();
        }
        if ($effect instanceof DropText) {
            $this->outbound->drop($run, $effect);

            return false;
        }

        return $this->effects->perform($effect, $run, $context);
    }

    private function isAbout(Published $published, DomainEvent $why): bool
    {
        $type = $published->rule->trigger->type();
        if ($why->subject->recordId === null) {
            return $type === RecordType::PERSON || $why->change instanceof Asked;
        }

        return $this->reader->record($why->subject->recordId)?->type->key === $type;
    }
}
