<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Document\Doc;
use Linnet\Core\Record\Change;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\Conditions;
use Linnet\Core\Time\Span;

/** A condition on a record has held for a length of time in which nothing happened to it. */
final readonly class GoneQuiet implements Trigger
{
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

    public function type(): string
    {
        return $this->type;
    }

    public function toDocument(): array
    {
        return ['on' => 'gone_quiet', 'type' => $this->type, 'while' => $this->while->toDocument(), 'for' => $this->for->toDocument()];
    }
}
