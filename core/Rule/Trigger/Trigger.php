<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Reason;
use Linnet\Core\Record\Change\Change;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\RuleContext;
use Linnet\Core\Time\Offset;

/**
 * What starts a rule.
 *
 * @phpstan-sealed RecordAdded|RecordChanged|DateReached|GoneQuiet|TextReceived|LabelChanged|FormSent|CalendarReached|TextFate|Started
 */
interface Trigger
{
    /** @param  string  $ruleId the rule's own id, for what is meant for one rule alone */
    public function meets(Change $change, string $ruleId): bool;

    /** What must hold of whom it begins for, besides the rule's own conditions; null where nothing must. */
    public function condition(): ?Condition;

    /** Whether it begins by a moment of its own about each of its subjects, which is waited for. */
    public function isAwaited(): bool;

    /** Whether a change alters what it waits for. */
    public function isRevisedBy(Change $change, RuleContext $context): bool;

    /**
     * What is said where the moment it waited for is another now, or gone.
     *
     * @param  \DateTimeImmutable|null  $due  the moment waited for from now on
     */
    public function moved(Change $change, RuleContext $context, ?\DateTimeImmutable $due): ?Reason;

    /**
     * When to look next whether it begins for a subject; null where nothing is waited for.
     *
     * @param  \DateTimeImmutable  $lastActivity  when something last happened to it
     */
    public function nextLook(RuleContext $context, \DateTimeImmutable $lastActivity): ?\DateTimeImmutable;

    /** What has come when the moment waited for is there, as things are now; and what is waited for after. */
    public function resolveTimer(
        string $ruleId,
        RuleContext $context,
        \DateTimeImmutable $dueAt,
        \DateTimeImmutable $lastActivity,
    ): ResolvedTimer;

    /** Its next moment for all of its audience at once, later than another; null where there is none. */
    public function nextForAll(\DateTimeImmutable $after, \DateTimeZone $zone): ?\DateTimeImmutable;

    /**
     * Where it hangs on a date: the moment at which it begins next, and that date as an instant.
     *
     * @return array{\DateTimeImmutable, \DateTimeImmutable}|null
     */
    public function firstMoment(RuleContext $context): ?array;

    /** Why a run that hangs on a date is over: that date is another now, or gone. */
    public function lapsed(\DateTimeImmutable $hangsOn, RuleContext $context): ?Reason;

    /** From what it can be known beforehand whom it begins for. */
    public function foresight(): Foresight;

    /** The path of the field it hangs on, such as booking.starts_at; a person's without its type. Null where it hangs on none. */
    public function field(): ?string;

    /** How long before or after the date it hangs on; null where it hangs on none. */
    public function offset(): ?Offset;

    /** The words it listens for; null where it listens for none. */
    public function listens(): ?Listens;

    /**
     * What its record has when it has just begun, by field key.
     *
     * @return array<string, scalar>
     */
    public function begunWith(): array;

    /** @return list<array{'form'|'rule'|'line', string}> what it calls by name: the kind and the name of each */
    public function names(): array;

    /** The type of record a run is about; "person" where it is about the person alone. */
    public function type(): string;

    /** @return array<string, mixed> */
    public function toDocument(): array;
}
