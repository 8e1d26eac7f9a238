<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Context\Subject;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Rule\Rule;

/** One journey of one record or person through one published version of a rule. */
final class Run
{
    /**
     * @param  string|null  $line  key of the line the person called or texted
     * @param  string|null  $number  E.164 they called or texted from
     * @param  ActivationState  $power  of its rule
     * @param  \DateTimeImmutable|null  $pausedUntil  until when its rule was last paused
     */
    public function __construct(
        public readonly int $id,
        public readonly string $ruleId,
        public readonly Rule $rule,
        public readonly Subject $subject,
        public RunState $state,
        public readonly ?string $line = null,
        public readonly ?string $number = null,
        public readonly Cause $cause = new Cause,
        public ActivationState $power = ActivationState::On,
        public ?\DateTimeImmutable $pausedUntil = null,
    ) {
    }

    public function personId(): int
    {
        return $this->subject->personId ?? throw new \LogicException('a run is about somebody');
    }

    /** The chain of causes of what it does. */
    public function causes(): Cause
    {
        return $this->cause->then($this->ruleId, $this->subject);
    }

    /** Decides between alternatives, in a rehearsal as in life. */
    public function seed(string $name): string
    {
        return ($this->rule->key ?? $this->rule->name)."|{$this->subject->name()}|{$this->state->beganAt->getTimestamp()}|$name";
    }
}
