<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Context\DeliveryStatus;
use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Engine\Effect\DropText;
use Linnet\Core\Engine\Effect\Effect;
use Linnet\Core\Engine\Effect\LookUpNumber;
use Linnet\Core\Engine\Effect\PostOut;
use Linnet\Core\Engine\Effect\SetFields;
use Linnet\Core\Engine\Effect\SetLabel;
use Linnet\Core\Engine\Effect\StartRule;
use Linnet\Core\Engine\Effect\StopRule;
use Linnet\Core\Engine\Effect\Task;
use Linnet\Core\Engine\Effect\Tell;
use Linnet\Core\Engine\Port\BusinessReader;
use Linnet\Core\Engine\Port\MessageStore;
use Linnet\Core\Engine\Port\RunStore;
use Linnet\Core\Engine\Port\SideEffects;
use Linnet\Core\Reason;
use Linnet\Core\Record\Record;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Record\Staff;
use Linnet\Core\Rule\Step\Channel;
use Linnet\Core\Rule\Step\Recipient;
use Linnet\Core\Rule\Step\WhichRecord;
use Linnet\Core\Rule\Step\Who;
use Linnet\Core\Text\Template\Renderer;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;

/** Carries out what a run wants besides texting its person. */
final readonly class EffectHandler
{
    public function __construct(
        private BusinessReader $reader,
        private RunStore $runs,
        private MessageStore $texts,
        private SideEffects $sideEffects,
        private OutboundMessages $outbound,
    ) {
    }

    /** @return bool whether it may move the run on at once */
    public function perform(Effect $effect, Run $run, EvaluationContext $context): bool
    {
        try {
            match (true) {
                $effect instanceof SetFields => $this->setFields($effect, $run),
                $effect instanceof SetLabel => $this->sideEffects->setLabel($run, $effect, $run->causes()),
                $effect instanceof Tell => $this->notifyStaff($effect, $run, $context),
                $effect instanceof Task => $this->sideEffects->task(
                    $run, $effect->name, $effect->step->for === null ? null : $this->staffOf($run, $effect->step->for),
                    $this->render($effect->step->words, $run, $context, $effect->name), $effect->dueAt,
                ),
                $effect instanceof PostOut => $this->sideEffects->post(
                    $run, $effect->name, $effect->step->address,
                    $effect->step->filled(fn (Template $template): string => $this->render($template, $run, $context, $effect->name)),
                ),
                $effect instanceof LookUpNumber => $this->lookUp($effect, $run),
                $effect instanceof StartRule => $this->startOther($effect, $run),
                $effect instanceof StopRule => $this->stopOther($effect, $run, $context),
                default => throw new \LogicException('texts are sent elsewhere'),
            };
        } catch (TemplateError $e) {
            // A value is missing: what wanted it is not done, and that is said; the run goes on.
            $this->note(new Reason('deed.not_done', ['because' => $e->reason()->toArray()]), $run);
        }

        return $effect instanceof LookUpNumber;
    }

    /** A text the run asked for. */
    public function text(Run $run, string $name): ?OutText
    {
        return $this->texts->of($run, $name);
    }

    /** What became of what a run waits for: its text, or its look-up. */
    public function status(Run $run, string $name): ?DeliveryStatus
    {
        return $this->texts->of($run, $name)?->status();
    }

    private function setFields(SetFields $effect, Run $run): void
    {
        $own = $byType = [];
        foreach ($effect->values as $path => $value) {
            [$type, $key] = RecordType::split($path);
            if ($type === RecordType::PERSON) {
                $own[$key] = $value;
            } else {
                $byType[$type][$key] = $value;
            }
        }
        foreach ($byType === [] ? [''] : array_keys($byType) as $i => $type) {
            $record = $type === '' ? null : $this->recordOf($run, (string) $type, $effect->record);
            if ($type !== '' && $record === null) {
                $this->note(
                    new Reason('deed.no_record', [
                        'type' => mb_strtolower($this->reader->type((string) $type)->name ?? (string) $type, 'UTF-8'),
                    ]),
                    $run,
                );
            }
            $this->sideEffects->setFields($run, $i === 0 ? $own : [], $record, $record === null ? [] : $byType[$type], $run->causes());
        }
    }

    /** The record whose fields are set, as things are now; null where there is none. */
    private function recordOf(Run $run, string $type, ?WhichRecord $which): ?Record
    {
        $about = $run->subject->recordId === null ? null : $this->reader->record($run->subject->recordId);
        if ($which === null) {
            return $about?->type->key === $type ? $about : null;
        }
        $theirs = $this->reader->recordsOf($run->personId(), $type);
        if ($which === WhichRecord::Newest) {
            return $theirs[0] ?? null;
        }
        $now = $this->reader->now();
        $zone = $this->reader->business()->zone;
        $coming = array_filter($theirs, fn (Record $one): bool => ($at = $one->startsAt($zone)) !== null && $at >= $now);
        usort($coming, fn (Record $a, Record $b): int => [$a->startsAt($zone), $a->id] <=> [$b->startsAt($zone), $b->id]);

        return $coming[0] ?? null;
    }

    private function notifyStaff(Tell $effect, Run $run, EvaluationContext $context): void
    {
        $step = $effect->step;
        if ($step->by === Channel::Text) {
            $this->outbound->notify($run, $effect->name, $this->outbound->colleague($run, $step->to), $step->words, $context);

            return;
        }
        $words = $this->render($step->words, $run, $context, $effect->name);
        $staff = $this->staffOf($run, $step->to);
        $address = $step->to->who === Who::Address ? $step->to->which : $staff?->email;
        if ($step->by === Channel::Email && $address !== null) {
            $this->sideEffects->email($run, $effect->name, $address, $words);
        } else {
            // Nobody there to be written to: everybody sees it.
            $this->sideEffects->notice($run, $effect->name, $staff, $words);
        }
    }

    private function staffOf(Run $run, Recipient $to): ?Staff
    {
        $id = $this->outbound->colleague($run, $to)->staffId;

        return $id === null ? null : $this->reader->staff($id);
    }

    private function lookUp(LookUpNumber $effect, Run $run): void
    {
        $number = $this->reader->person($run->personId())->numbers[0] ?? null;
        if ($number !== null) {
            $this->sideEffects->lookUp($run, $effect->name, $number->e164);
        }
    }

    private function startOther(StartRule $effect, Run $run): void
    {
        $other = $this->reader->ruleByKey($effect->rule);
        $other === null
            ? $this->note(new Reason('deed.no_rule', ['rule' => $effect->rule]), $run)
            : $this->sideEffects->requestStart($run, $other, $run->causes());
    }

    private function stopOther(StopRule $effect, Run $run, EvaluationContext $context): void
    {
        $reason = new Reason('stop.by_rule', ['rule' => $run->rule->name]);
        foreach ($this->runs->liveOf($run->personId()) as $other) {
            if (
                $other->id !== $run->id &&
                $other->rule->key === $effect->rule &&
                ($other->subject->recordId === null || $other->subject->recordId === $run->subject->recordId)
            ) {
                $this->end($other, $reason, 'stopped');
            }
        }
    }

    /** A run ends before its end: what it waits to send is not sent. */
    public function end(Run $run, Reason $reason, string $outcome): void
    {
        if ($run->state->awaits !== null) {
            $this->outbound->drop($run, new DropText($run->state->awaits, $reason));
        }
        $run->state = $run->state->over($outcome);
        $this->runs->note($reason, $run->ruleId, $run, $run->subject);
        $this->runs->save($run, null);
    }

    private function render(Template $template, Run $run, EvaluationContext $context, string $name): string
    {
        $business = $this->reader->business();

        return (new Renderer(
            $context->facts, $context->now, $business->zone, $business->locale, $business->tariff->currency, $run->seed($name),
            $business->links(),
        ))->render($template);
    }

    private function note(Reason $reason, Run $run): void
    {
        $this->runs->note($reason, $run->ruleId, $run, $run->subject);
    }
}
