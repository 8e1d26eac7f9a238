<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Port;

use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\DomainEvent;
use Linnet\Core\Engine\OwnText;
use Linnet\Core\Engine\Published;
use Linnet\Core\Engine\Run;
use Linnet\Core\Engine\RunState;
use Linnet\Core\Engine\ScheduledStart;
use Linnet\Core\Reason;

/** The runs, what they wait for, and why. */
interface RunStore
{
    /** When a rule last began for a person. */
    public function lastBegan(string $ruleId, int $personId): ?\DateTimeImmutable;

    /** Stores a run; null where there is one already for this occasion of this rule. */
    public function begin(Published $published, Subject $subject, string $occasion, RunState $state, DomainEvent $why): ?Run;

    /**
     * What somebody decided of the texts of a run that had not begun, taken by the first that begins.
     *
     * @return array<string, OwnText> by the names of the texts
     */
    public function decidedBefore(string $ruleId, Subject $subject): array;

    /** @return list<Run> in the order in which they began */
    public function liveOf(int $personId): array;

    /** @return list<Run> in the order in which they began */
    public function liveAbout(int $recordId): array;

    /**
     * Runs that wait for this person's answer, the newest question first.
     *
     * @return list<Run>
     */
    public function asking(int $personId): array;

    public function save(Run $run, ?\DateTimeImmutable $wake): void;

    /** As {@see save()}, with what it waits for as it is. */
    public function keep(Run $run): void;

    public function scheduleStart(ScheduledStart $scheduled, Subject $subject): void;

    public function note(Reason $reason, ?string $ruleId, ?Run $run, Subject $subject): void;
}
