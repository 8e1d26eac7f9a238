<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Reason;
use Linnet\Core\Record\Change\Change;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\RuleContext;
use Linnet\Core\Time\Offset;

/** A trigger that a change alone sets off: it waits for no moment, and asks nothing of its own. */
trait ByChange
{
    public function condition(): ?Condition
    {
        return null;
    }

    public function isAwaited(): bool
    {
        return false;
    }

    public function isRevisedBy(Change $change, RuleContext $context): bool
    {
        return false;
    }

    public function moved(Change $change, RuleContext $context, ?\DateTimeImmutable $due): ?Reason
    {
        return null;
    }

    public function nextLook(RuleContext $context, \DateTimeImmutable $lastActivity): ?\DateTimeImmutable
    {
        return null;
    }

    public function resolveTimer(
        string $ruleId,
        RuleContext $context,
        \DateTimeImmutable $dueAt,
        \DateTimeImmutable $lastActivity,
    ): ResolvedTimer {
        return new ResolvedTimer(null, null);
    }

    public function nextForAll(\DateTimeImmutable $after, \DateTimeZone $zone): ?\DateTimeImmutable
    {
        return null;
    }

    public function firstMoment(RuleContext $context): ?array
    {
        return null;
    }

    public function foresight(): Foresight
    {
        return Foresight::None;
    }

    public function field(): ?string
    {
        return null;
    }

    public function offset(): ?Offset
    {
        return null;
    }

    public function listens(): ?Listens
    {
        return null;
    }

    public function begunWith(): array
    {
        return [];
    }

    public function names(): array
    {
        return [];
    }

    public function lapsed(\DateTimeImmutable $hangsOn, RuleContext $context): ?Reason
    {
        return null;
    }
}
