<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;

/** Starts or stops another rule for this person or record. */
final readonly class OtherRule implements Step
{
    public function __construct(public string $id, public bool $starts, public string $rule)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('id', 'do', 'rule');
        $starts = $doc->oneOf('do', ['start_rule' => fn (): bool => true, 'stop_rule' => fn (): bool => false]);

        return new self($doc->name('id'), $starts, $doc->name('rule'));
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toDocument(): array
    {
        return ['id' => $this->id, 'do' => $this->starts ? 'start_rule' : 'stop_rule', 'rule' => $this->rule];
    }
}
