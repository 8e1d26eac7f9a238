<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal;

use Linnet\Core\Engine\TextFate;
use Linnet\Core\Gate\Judgement;
use Linnet\Core\Gate\Say;
use Linnet\Core\Reason;
use Linnet\Core\Text\Composed;

/** One text of a rehearsed run. */
final readonly class RehearsedText
{
    /**
     * @param  \DateTimeImmutable|null  $leavesAt  null if it would not leave
     * @param  Composed|null  $composed  null where a value is missing
     * @param  list<Judgement>  $judgements  the gate's word at the wanted moment, and again after every hold
     * @param  Reason|null  $setAside  what is missing
     */
    public function __construct(
        public string $step,
        public \DateTimeImmutable $wantedAt,
        public ?\DateTimeImmutable $leavesAt,
        public ?Composed $composed,
        public array $judgements,
        public ?Reason $setAside = null,
    ) {
    }

    public function fate(): TextFate
    {
        $last = $this->judgements[count($this->judgements) - 1] ?? null;

        return match (true) {
            $this->leavesAt !== null => TextFate::Left,
            $this->setAside !== null, $last?->verdict()->say === Say::Hold => TextFate::Waiting,
            default => TextFate::Dropped,
        };
    }

    /** Why it leaves later than wanted, or not at all; null where it leaves at once. */
    public function obstacle(): ?Reason
    {
        $first = $this->judgements[0] ?? null;

        return $this->setAside ?? ($first === null || $this->leavesAt == $this->wantedAt ? null : $first->verdict()->reason);
    }
}
