<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal;

use Linnet\Core\Engine\Composed;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\TextState;
use Linnet\Core\Gate\Judgement;
use Linnet\Core\Reason;

/** One text of a rehearsed run. */
final readonly class RehearsedText
{
    /**
     * @param  \DateTimeImmutable|null  $leavesAt  null if it would not leave
     * @param  Composed|null  $composed  null where a value is missing
     * @param  list<Judgement>  $judgements  the gate's word at the wanted moment, and again after every hold
     * @param  Reason|null  $setAside  what is missing
     * @param  string|null  $line  key of the line it leaves from
     * @param  string  $who  whom it goes to; empty where only its moments are kept
     */
    private function __construct(
        public string $step,
        public \DateTimeImmutable $wantedAt,
        public ?\DateTimeImmutable $leavesAt,
        public ?Composed $composed,
        public array $judgements,
        public ?Reason $setAside = null,
        public ?string $line = null,
        public string $who = '',
    ) {
    }

    public static function of(OutText $text): self
    {
        return new self(
            explode('/', $text->name)[0], $text->wantedAt, $text->state === TextState::Left ? $text->settledAt : null,
            $text->state === TextState::SetAside ? null : $text->composed, $text->judgements,
            $text->state === TextState::SetAside ? $text->reason : null, $text->line, $text->to->who,
        );
    }

    /** One of which only its moments are kept. */
    public static function kept(string $step, \DateTimeImmutable $wantedAt, ?\DateTimeImmutable $leavesAt): self
    {
        return new self($step, $wantedAt, $leavesAt, null, []);
    }

    /** Why it leaves later than wanted, or not at all; null where it leaves at once. */
    public function obstacle(): ?Reason
    {
        $first = $this->judgements[0] ?? null;

        return $this->setAside ?? ($first === null || $this->leavesAt == $this->wantedAt ? null : $first->verdict()->reason);
    }
}
