<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\Conditions;

/** A fresh look: where the condition does not hold, the run ends. */
final readonly class GoOnlyIf implements Step
{
    public function __construct(public string $id, public Condition $condition)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('id', 'do', 'condition');

        return new self($doc->name('id'), Conditions::read($doc->object('condition')));
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toDocument(): array
    {
        return ['id' => $this->id, 'do' => 'go_on_only_if', 'condition' => $this->condition->toDocument()];
    }
}
