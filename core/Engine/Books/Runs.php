<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Books;

use Linnet\Core\Engine\Arming;
use Linnet\Core\Engine\Happening;
use Linnet\Core\Engine\Published;
use Linnet\Core\Engine\Run;
use Linnet\Core\Engine\RunState;
use Linnet\Core\Engine\Subject;
use Linnet\Core\Reason;

/** The runs, what they wait for, and why. */
interface Runs
{
    /** When a rule last began for a person. */
    public function lastBegan(string $ruleId, int $personId): ?\DateTimeImmutable;

    /** Stores a run; null where there is one already for this occasion of this rule. */
    public function begin(Published $published, Subject $subject, string $occasion, RunState $state, Happening $why): ?Run;

    /** @return list<Run> in the order in which they began */
    public function liveOf(int $personId): array;

    /**
     * Runs that wait for this person's answer, the newest question first.
     *
     * @return list<Run>
     */
    public function asking(int $personId): array;

    public function save(Run $run, ?\DateTimeImmutable $wake): void;

    public function arm(Arming $arming, Subject $subject): void;

    public function note(Reason $reason, ?string $ruleId, ?Run $run, Subject $subject): void;
}
