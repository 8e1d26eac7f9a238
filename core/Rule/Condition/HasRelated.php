<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Document\Doc;
use Linnet\Core\Reason;
use Linnet\Core\Rule\RuleContext;

/** Whether the person has any record of a type that passes a condition: an upcoming booking, an unpaid invoice. */
final readonly class HasRelated implements Condition
{
    public function __construct(public string $type, public ?Condition $that, public bool $has)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('related', 'that', 'has');

        return new self(
            $doc->name('related'),
            $doc->has('that') ? Conditions::read($doc->object('that')) : null,
            ! $doc->has('has') || $doc->yesNo('has'),
        );
    }

    public function weigh(RuleContext $context): Weighed
    {
        $truths = [];
        foreach ($context->related[$this->type] ?? [] as $record) {
            $truths[] = $this->that === null ? Truth::True : $this->that->weigh($context->about($this->type, $record))->truth;
        }
        $truth = Truth::any($truths);
        $with = [
            'who' => $context->who, 'type' => $context->label($this->type), 'many' => count($truths),
            'fits' => count(array_filter($truths, fn (Truth $t): bool => $t === Truth::True)),
        ];

        return new Weighed($this->has ? $truth : $truth->not(), new Reason(match (true) {
            $truth === Truth::Unknown => 'condition.related_unknown',
            $truth === Truth::True => 'condition.related',
            $truths === [] => 'condition.no_related',
            default => 'condition.none_fits',
        }, $with));
    }

    public function toDocument(): array
    {
        return ['related' => $this->type] +
            ($this->that === null ? [] : ['that' => $this->that->toDocument()]) +
            ($this->has ? [] : ['has' => false]);
    }
}
