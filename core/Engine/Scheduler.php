<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Engine\Due\Due;
use Linnet\Core\Engine\Due\DueBroadcast;
use Linnet\Core\Engine\Due\DueRun;
use Linnet\Core\Engine\Due\DueStart;
use Linnet\Core\Engine\Due\DueText;
use Linnet\Core\Engine\Port\BusinessReader;
use Linnet\Core\Engine\Port\TimerStore;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Time\Zone;

/**
 * What comes when, and what happens then: changes in their order, then what is due, then those whom a rule concerns all at once. The one
 * scheduler of life and of paper; they differ in where things are kept.
 */
final readonly class Scheduler
{
    /** So many changes, and so many due moments, are dealt with together. */
    public const AT_ONCE = 200;

    public function __construct(
        private BusinessReader $reader,
        private TimerStore $timers,
        private OutboundMessages $outbound,
        private Conductor $conductor,
    ) {
    }

    /** @param  list<DomainEvent>  $events */
    public function handle(array $events): void
    {
        foreach ($events as $event) {
            $this->conductor->handle($event);
        }
    }

    /** @return int how much was due */
    public function resolveDue(int $most = self::AT_ONCE): int
    {
        $all = $this->timers->claimDue($most);
        foreach ($all as $due) {
            $this->resolve($due);
        }

        return count($all);
    }

    public function resolve(Due $due): void
    {
        match (true) {
            $due instanceof DueRun => $this->resume($due->run),
            $due instanceof DueText => $this->reevaluate($due->text),
            $due instanceof DueStart => $this->conductor->resolveTimer($due->published, $due->subject, $due->at, $due->id),
            $due instanceof DueBroadcast => $this->timers->beginBroadcast($due->ruleId, $due->at),
        };
    }

    /** A paused run keeps its place. */
    public function resume(Run $run): void
    {
        if (! $run->state->isOver() && $run->power === ActivationState::On) {
            $this->conductor->advance($run);
        }
    }

    /** Puts a text that waits before the gate again, and moves its run on if it left. */
    public function reevaluate(OutText $text): void
    {
        $run = $text->run;
        if ($run === null || $run->power === ActivationState::Paused || ! $text->status()->isWaiting()) {
            return;
        }
        // One its run does not wait for: the run is over, or it is a notice, or what an unclear answer got.
        $run->state->isOver() || $run->state->awaits !== $text->name
            ? $this->outbound->evaluate($text, $this->conductor->contextOf($run))
            : $this->conductor->advance($run, $text);
    }

    /** From now on a rule begins by itself: what it waits for is waited for. */
    public function switchOn(Published $published): void
    {
        $this->awaitCalendar($published, $this->reader->now());
        $published->rule->trigger->isAwaited() && $this->timers->beginAwaiting($published->ruleId);
    }

    /** @return int how many were gone through; 0 where nobody is left */
    public function piece(): int
    {
        $piece = $this->timers->takePiece();
        if ($piece === null) {
            return 0;
        }
        foreach ($piece->subjects as $subject) {
            $piece->at === null
                ? $this->conductor->await($piece->published, $subject)
                : $this->conductor->calledUp($piece->published, $subject, $piece->at);
        }
        if ($piece->isLast && $piece->at !== null) {
            $this->awaitCalendar($piece->published, $piece->at);
        }

        return max(1, count($piece->subjects));
    }

    private function awaitCalendar(Published $published, \DateTimeImmutable $after): void
    {
        $next = $published->rule->trigger->nextForAll($after, Zone::get($this->reader->business()->zone));
        $this->timers->awaitCalendar($published->ruleId, $next);
    }
}
