<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Context\DeliveryStatus;
use Linnet\Core\Gate\Judgement;
use Linnet\Core\Gate\TextOrigin;
use Linnet\Core\Reason;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Text\Template\Template;

/** A rule's text on its way out. */
final class OutText
{
    public TextState $state = TextState::Waiting;

    public ?Composed $composed = null;

    /** @var list<Judgement> what the gate said, each time it was asked */
    public array $judgements = [];

    /** Why it waits, was set aside, or will not go. */
    public ?Reason $reason = null;

    /** When it left or was dropped. */
    public ?\DateTimeImmutable $settledAt = null;

    /** Its place in the line's order. */
    public ?\DateTimeImmutable $slot = null;

    /** Whether the carrier has it; on paper it has at once. */
    public bool $isHanded = true;

    /** A person has let it go. */
    public bool $released = false;

    /** From when on that counts: until then they may hold it back again. Null for at once. */
    public ?\DateTimeImmutable $releaseAt = null;

    /** It left with words of its own, which are no wording of its rule's. */
    public bool $isPersonal = false;

    /** What the shell calls it. */
    public ?int $id = null;

    /**
     * @param  string  $name  step/round
     * @param  Template|null  $words  null where its wordings are used up
     * @param  string  $wordings  what its wording is counted under; empty where it is not
     * @param  string|null  $line  key of the line it leaves from; null where there is none yet
     */
    public function __construct(
        public readonly string $name,
        public readonly ?Run $run,
        public readonly TextOrigin $origin,
        public readonly TextKind $kind,
        public Receiver $to,
        public readonly ?Template $words,
        public readonly string $wordings,
        public readonly string $wording,
        public ?string $line,
        public readonly \DateTimeImmutable $wantedAt,
        public readonly ?\DateTimeImmutable $anchor = null,
        public readonly ?string $picture = null,
        public readonly bool $expectsReply = false,
    ) {
    }

    /** What somebody decided of it. */
    public function own(): ?OwnText
    {
        return $this->run?->state->own[$this->name] ?? null;
    }

    public function status(): DeliveryStatus
    {
        return match ($this->state) {
            TextState::Waiting, TextState::SetAside => DeliveryStatus::waiting(),
            TextState::Left => $this->isHanded
                ? DeliveryStatus::left($this->settledAt ?? $this->wantedAt)
                : DeliveryStatus::leaving($this->settledAt ?? $this->wantedAt),
            TextState::Failed => DeliveryStatus::failed($this->settledAt ?? $this->wantedAt),
            TextState::Dropped => DeliveryStatus::dropped($this->settledAt ?? $this->wantedAt),
        };
    }
}
