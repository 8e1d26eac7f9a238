<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Past;

use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\Run;
use Linnet\Core\Reason;

/** What a rule would have done, had it been on. */
final readonly class Replayed
{
    /**
     * @param  list<Run>  $runs  that began within the time
     * @param  array<string, OutText>  $texts  to people, that were wanted within the time, in that order
     * @param  array<string, TooLate>  $tooLate  which of them would have come too late, by the same keys
     * @param  array<int, Reason>  $lastSaid  what was noted of each run last
     * @param  list<array{at: \DateTimeImmutable, reason: Reason, subject: Subject}>  $notBegun  where it would not have begun, and why
     * @param  array<string, int>  $acts  how often it would have done what besides
     */
    public function __construct(
        public array $runs,
        public array $texts,
        public array $tooLate,
        public array $lastSaid,
        public array $notBegun,
        public array $acts,
    ) {
    }
}
