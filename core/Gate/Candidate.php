<?php

declare(strict_types=1);

namespace Linnet\Core\Gate;

use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Health;
use Linnet\Core\Record\Pace;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Rule\Condition\Weighed;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Time\WeeklyHours;

/** A text that would leave now, with what the gate asks about. */
final readonly class Candidate
{
    /**
     * @param  ActivationState  $rule  of the rule that wants it; on for texts no rule wants
     * @param  \DateTimeImmutable|null  $sameSentAt  when these words last went to this person
     * @param  \DateTimeImmutable|null  $sameHeldSince  since when the same words to this person have been held already
     * @param  bool  $released  nobody has to let it go first
     * @param  \DateTimeImmutable|null  $releaseAt  from when on it is let go; null for at once
     * @param  Weighed|null  $standing  the rule's standing condition as it is now; null where it has none
     * @param  \DateTimeImmutable|null  $wantedAt  when it should have left
     * @param  \DateTimeImmutable|null  $anchor  the date it hangs on
     * @param  \DateTimeImmutable|null  $pausedUntil  until when the rule was last paused
     * @param  list<\DateTimeImmutable>  $recent  when this person had their last automatic texts, the newest first
     * @param  int  $price  millionths
     * @param  int  $spent  what automatic texts have cost this month, in millionths
     * @param  Pace  $pace  of its line
     * @param  array<int, int>  $departed  when the k-th last text left the line or will, in seconds since 1970, by k
     * @param  \DateTimeImmutable|null  $slot  the place in the line's order it was given before
     * @param  list<string>  $lineCountries  those the line sends to; empty for all
     * @param  WeeklyHours|null  $lineHours  when the line sends, by the clock of the business; null for always
     * @param  int  $turn  counts the line's departures: the seed of a spread
     */
    public function __construct(
        public TextOrigin $origin,
        public TextKind $kind,
        public string $body,
        public Receiver $to,
        public ActivationState $rule,
        public ActivationState $line,
        public string $lineName,
        public ActivationState $business = ActivationState::On,
        public ?\DateTimeImmutable $sameSentAt = null,
        public ?\DateTimeImmutable $sameHeldSince = null,
        public bool $released = true,
        public ?\DateTimeImmutable $releaseAt = null,
        public ?Weighed $standing = null,
        public ?\DateTimeImmutable $wantedAt = null,
        public ?\DateTimeImmutable $anchor = null,
        public ?\DateTimeImmutable $pausedUntil = null,
        public array $recent = [],
        public int $price = 0,
        public int $spent = 0,
        public string $businessZone = 'UTC',
        public Pace $pace = new Pace,
        public array $departed = [],
        public ?\DateTimeImmutable $slot = null,
        public int $turn = 0,
        public Health $health = new Health,
        public array $lineCountries = [],
        public ?WeeklyHours $lineHours = null,
    ) {
    }

    /**
     * The same, as it would ask for its place in the line's order.
     *
     * @param  array<int, int>  $departed  by k
     */
    public function inTurn(array $departed, ?\DateTimeImmutable $slot, int $turn): self
    {
        return new self(
            $this->origin, $this->kind, $this->body, $this->to, $this->rule, $this->line, $this->lineName,
            businessZone: $this->businessZone, pace: $this->pace, departed: $departed, slot: $slot, lineCountries: $this->lineCountries,
            lineHours: $this->lineHours, turn: $turn,
        );
    }
}
