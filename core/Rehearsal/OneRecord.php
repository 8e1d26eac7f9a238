<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal;

use Linnet\Core\Engine\Effect\SendText;
use Linnet\Core\Engine\Engine;
use Linnet\Core\Engine\RunState;
use Linnet\Core\Engine\Situation;
use Linnet\Core\Engine\TextFate;
use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Gate;
use Linnet\Core\Gate\Origin;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Gate\Power;
use Linnet\Core\Gate\Say;
use Linnet\Core\Record\Business;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\Text;
use Linnet\Core\Text\Composed;
use Linnet\Core\Text\Template\TemplateError;

/** Carries a rule out for one record, from one moment on, if nobody answers: the live engine and gate, with a clock on paper. */
final class OneRecord
{
    /** A run that has not ended after so many looks is cut. */
    private const LOOKS = 1000;

    /** @var array<string, true> lines that have had their opening, by name */
    private array $spent = [];

    /** @var array<string, \DateTimeImmutable> when words last left, by the words */
    private array $said = [];

    /**
     * @param  \Closure(Text): string  $lineName  what the line a text leaves from is called
     * @param  \Closure(Text): bool  $openingSpent  this person has had an automatic text on its line before
     */
    public function __construct(
        private readonly Rule $rule,
        private readonly Receiver $to,
        private readonly Business $business,
        private readonly Policy $policy,
        private readonly \Closure $lineName,
        private readonly \Closure $openingSpent,
        private readonly string $seed = 'rehearsal',
    ) {
    }

    public function rehearse(Situation $situation): Rehearsed
    {
        $began = $situation->now;
        $state = RunState::begin($this->rule->steps[0]->id(), $began);
        $texts = $trace = [];

        for ($looks = 0; $looks < self::LOOKS && ! $state->isOver(); $looks++) {
            $outcome = Engine::advance($this->rule, $state, $situation);
            $state = $outcome->state;
            array_push($trace, ...$outcome->trace);
            $now = $outcome->wake ?? $situation->now;
            $fates = [];
            foreach ($outcome->effects as $effect) {
                if ($effect instanceof SendText) {
                    $texts[] = $text = $this->send($effect, $situation);
                    $fates[$effect->name] = $text->fate();
                    $now = $text->leavesAt ?? $now;
                }
            }
            $situation = $situation->later($now, $fates);
            if (in_array(TextFate::Waiting, $fates, true)) {
                // Somebody has to act before it goes on.
                break;
            }
        }

        return new Rehearsed($began, $texts, $trace);
    }

    private function send(SendText $effect, Situation $situation): RehearsedText
    {
        $now = $situation->now;
        $judgements = [];
        $composed = null;
        $line = ($this->lineName)($effect->step);
        $first = ! isset($this->spent[$line]) && ! ($this->openingSpent)($effect->step);
        for ($holds = 0; $holds < 10; $holds++) {
            try {
                $composed = Composed::of($effect->step->wording, $situation->facts, $this->to, $this->business, $now, $first, $this->seed.$effect->name);
            } catch (TemplateError $e) {
                return new RehearsedText($effect->step->id, $situation->now, null, null, $judgements, $e->reason());
            }
            $judgements[] = $judgement = Gate::judge(new Candidate(
                Origin::Rule, $effect->step->kind, $composed->body, $this->to, Power::On, Power::On, $line,
                sameSentAt: $this->said[$composed->body] ?? null,
            ), $this->policy, $now);
            $verdict = $judgement->verdict();

            if ($verdict->say === Say::Pass) {
                $this->spent[$line] = true;
                $this->said[$composed->body] = $now;

                return new RehearsedText($effect->step->id, $situation->now, $now, $composed, $judgements);
            }
            if ($verdict->until === null) {
                break;
            }
            $now = $verdict->until;
        }

        return new RehearsedText($effect->step->id, $situation->now, null, $composed, $judgements);
    }
}
