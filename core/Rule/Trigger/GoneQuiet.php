<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Document\Doc;
use Linnet\Core\Record\Change;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\Conditions;
use Linnet\Core\Rule\RuleContext;
use Linnet\Core\Time\Span;

/** A condition on a record has held for a length of time in which nothing happened to it. */
final readonly class GoneQuiet implements Trigger
{
    use ByChange;

    public function __construct(public string $type, public Condition $while, public Span $for)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('on', 'type', 'while', 'for');
        /** @var array{type: string, while: Condition, for: Span} $read */
        $read = $doc->gather([
            'type' => fn (): string => $doc->name('type'),
            'while' => fn (): Condition => Conditions::read($doc->object('while')),
            'for' => fn (): Span => Span::under($doc, 'for'),
        ]);

        return new self(...$read);
    }

    public function meets(Change\Change $change, string $ruleId): bool
    {
        return $change instanceof Change\WentQuiet && $change->ruleId === $ruleId;
    }

    public function condition(): Condition
    {
        return $this->while;
    }

    public function isAwaited(): bool
    {
        return true;
    }

    public function isRevisedBy(Change\Change $change, RuleContext $context): bool
    {
        return $change instanceof Change\RecordAdded || $change instanceof Change\RecordChanged
            || $change instanceof Change\PersonAdded || $change instanceof Change\PersonChanged;
    }

    public function nextLook(RuleContext $context, \DateTimeImmutable $lastActivity): ?\DateTimeImmutable
    {
        $clocks = $context->clocks();

        return $this->while->weigh($context)->holds() ? $this->for->after($lastActivity, $clocks->theirs, $clocks->workingDays) : null;
    }

    public function resolveTimer(
        string $ruleId,
        RuleContext $context,
        \DateTimeImmutable $dueAt,
        \DateTimeImmutable $lastActivity,
    ): ResolvedTimer {
        $next = $this->nextLook($context, $lastActivity);

        return $next === null || $next > $context->now
            ? new ResolvedTimer(null, $next)
            : new ResolvedTimer(new Change\WentQuiet($ruleId, $lastActivity), null);
    }

    public function foresight(): Foresight
    {
        return Foresight::Quiet;
    }

    public function type(): string
    {
        return $this->type;
    }

    public function toDocument(): array
    {
        return ['on' => 'gone_quiet', 'type' => $this->type, 'while' => $this->while->toDocument(), 'for' => $this->for->toDocument()];
    }
}
