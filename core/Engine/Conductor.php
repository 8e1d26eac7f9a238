<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Engine\Books\Known;
use Linnet\Core\Engine\Books\Runs;
use Linnet\Core\Engine\Effect\DropText;
use Linnet\Core\Engine\Effect\Effect;
use Linnet\Core\Engine\Effect\SendText;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change\Asked;
use Linnet\Core\Record\Change\CalendarCame;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\AgainPolicy;
use Linnet\Core\Rule\Needs;
use Linnet\Core\Rule\Trigger\CalendarReached;
use Linnet\Core\Rule\Trigger\DateReached;
use Linnet\Core\Rule\Trigger\GoneQuiet;

/** Takes what happens through start, advance and gate, on books that are real or of paper: life and rehearsal alike. */
final readonly class Conductor
{
    /** A run that asks to be looked at again at once more often is left until its next moment. */
    private const LOOKS = 200;

    public function __construct(private Known $known, private Runs $runs, private Surroundings $surroundings, private Sending $sending, private Doing $doing)
    {
    }

    /** Something happened: rules may begin, and the runs of those it touches are looked at. */
    public function happened(Happening $why): void
    {
        $this->start($why, $this->known->rules());
        if ($why->subject->personId !== null) {
            $this->lookAt($why->subject->personId);
        }
    }

    /**
     * @param  list<Published>  $rules
     * @return list<Start> what became of each rule it concerns
     */
    public function start(Happening $why, array $rules): array
    {
        $rules = array_values(array_filter($rules, fn (Published $p): bool => $p->rule->trigger->meets($why->change, $p->ruleId) || $p->rule->trigger instanceof DateReached
            || $p->rule->trigger instanceof GoneQuiet || $why->change instanceof Asked));
        $rules = array_values(array_filter($rules, fn (Published $p): bool => $this->isAbout($p, $why)));
        if ($rules === []) {
            return [];
        }
        $related = array_values(array_unique(array_merge(...array_map(fn (Published $p): array => Needs::relatedTypes($p->rule), $rules))));
        $situation = $this->surroundings->situation($why->subject, $why->line, $related, lastTexts: array_filter($rules, fn (Published $p): bool => Needs::asksForTexts($p->rule)) !== [])->later($why->at);
        $person = $why->subject->personId;
        $started = Engine::start(array_map(fn (Published $p): Published => $person === null || $p->rule->again->policy !== AgainPolicy::NotWithin ? $p : new Published(
            $p->ruleId, $p->rule, $this->runs->lastBegan($p->ruleId, $person),
        ), $rules), $why->change, $situation, $why->subject, $why->id, $why->cause);
        foreach ($started->armings as $arming) {
            $this->runs->arm($arming, $why->subject);
            if ($arming->reason !== null) {
                $this->runs->note($arming->reason, $arming->ruleId, null, $why->subject);
            }
        }
        $byId = array_column($rules, null, 'ruleId');
        foreach ($started->starts as $start) {
            $this->begin($start, $byId[$start->ruleId], $why, $situation);
        }

        return $started->starts;
    }

    /** The moment a rule waited for is there. @return bool whether it had really come */
    public function came(Published $published, Subject $subject, \DateTimeImmutable $dueAt, string $id): bool
    {
        $situation = $this->surroundings->situation($subject, null, Needs::relatedTypes($published->rule), $published->ruleId);
        [$change, $arming] = Engine::came($published, $situation, $dueAt, $this->surroundings->lastActivity($subject));
        $this->runs->arm($arming, $subject);
        if ($change !== null) {
            $this->start(new Happening($id, $change, $subject, $this->known->now()), [$published]);
        }

        return $change !== null;
    }

    /** A rule was switched on: it waits for what it begins by, about one of those there are. */
    public function await(Published $published, Subject $subject): void
    {
        $situation = $this->surroundings->situation($subject, null, Needs::relatedTypes($published->rule), $published->ruleId);
        $this->runs->arm(Engine::arm($published, $situation, $this->surroundings->lastActivity($subject)), $subject);
    }

    /** A rule's calendar has come to one who may belong to its audience. */
    public function calledUp(Published $published, Subject $subject, \DateTimeImmutable $at, string $id): void
    {
        $trigger = $published->rule->trigger;
        if (! $trigger instanceof CalendarReached) {
            return;
        }
        $situation = $this->surroundings->situation($subject, null, Needs::relatedTypes($published->rule), $published->ruleId);
        if ($trigger->audience->weigh($situation)->holds()) {
            $this->start(new Happening($id, new CalendarCame($published->ruleId, $at), $subject, $this->known->now()), [$published]);
        }
    }

    /** Whatever held a run's text may have been this: it is asked about again. */
    public function lookAt(int $personId): void
    {
        foreach ($this->runs->liveOf($personId) as $run) {
            $this->advance($run, $run->state->awaits === null ? null : $this->doing->text($run, $run->state->awaits));
        }
    }

    /** @param  OutText|null  $ask a text of the run to put before the gate again first */
    public function advance(Run $run, ?OutText $ask = null): void
    {
        if ($run->state->isOver()) {
            return;
        }
        for ($looks = 0; $looks < self::LOOKS; $looks++) {
            $situation = $this->situation($run);
            if ($ask !== null && $ask->fate()->isWaiting() && $this->mayStillBe($run, $situation)) {
                $this->sending->judge($ask, $situation);
            }
            $ask = null;
            $outcome = Engine::advance($run->rule, $run->state, $situation->later($situation->now, $this->fates($run)));
            $run->state = $outcome->state;
            foreach ($outcome->trace as $reason) {
                $this->runs->note($reason, $run->ruleId, $run, $run->subject);
            }
            $moved = false;
            foreach ($outcome->effects as $effect) {
                $moved = $this->perform($effect, $run, $situation) || $moved;
            }
            if (! $outcome->again && ! $moved) {
                break;
            }
        }
        $this->runs->save($run, $outcome->wake);
    }

    /** Before a held text is asked about again, the run itself may have come to its end. */
    private function mayStillBe(Run $run, Situation $situation): bool
    {
        return ! Engine::advance($run->rule, $run->state, $situation)->state->isOver();
    }

    /** @return array<string, Fate> of the text or look-up a run waits for, and of the last text it sent */
    private function fates(Run $run): array
    {
        $fates = [];
        foreach (array_filter([$run->state->awaits, $run->state->sent]) as $name) {
            $fate = $this->doing->fate($run, $name);
            if ($fate !== null) {
                $fates[$name] = $fate;
            }
        }

        return $fates;
    }

    private function begin(Start $start, Published $published, Happening $why, Situation $situation): void
    {
        if ($start->occasion === null || $start->state === null) {
            $this->runs->note($start->reason, $start->ruleId, null, $why->subject);

            return;
        }
        $run = $this->runs->begin($published, $why->subject, $start->occasion, $start->state, $why);
        if ($run === null) {
            $this->runs->note(new Reason('start.before', ['who' => $situation->who]), $start->ruleId, null, $why->subject);

            return;
        }
        $this->runs->note($start->reason, $start->ruleId, $run, $why->subject);
        $this->advance($run);
    }

    /** What a run may look at now. */
    public function situation(Run $run): Situation
    {
        $replies = $run->state->askedAt === null ? [] : $this->known->replies($run->id, $run->state->heard);

        $situation = $this->surroundings->situation($run->subject, $run->line, Needs::relatedTypes($run->rule), $run->ruleId, $replies, Needs::asksForTexts($run->rule));
        // What was said to the run may be asked about, and merged into its texts.
        foreach ($run->state->said as $name => $value) {
            $situation = $situation->knowing($name, $value);
        }

        return $situation;
    }

    /** @return bool whether it may move the run on at once */
    private function perform(Effect $effect, Run $run, Situation $situation): bool
    {
        if ($effect instanceof SendText) {
            $fate = $this->sending->want($run, $effect, $situation);

            return $effect->name === $run->state->awaits && ! $fate->isWaiting();
        }
        if ($effect instanceof DropText) {
            $this->sending->drop($run, $effect);

            return false;
        }

        return $this->doing->perform($effect, $run, $situation);
    }

    private function isAbout(Published $published, Happening $why): bool
    {
        $type = $published->rule->trigger->type();
        if ($why->subject->recordId === null) {
            return $type === RecordType::PERSON || $why->change instanceof Asked;
        }

        return $this->known->record($why->subject->recordId)?->type->key === $type;
    }
}
