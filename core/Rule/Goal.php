<?php

declare(strict_types=1);

namespace Linnet\Core\Rule;

use Linnet\Core\Document\Doc;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\Conditions;
use Linnet\Core\Time\Span;

/** What counts as success: a condition that comes to hold in time. */
final readonly class Goal
{
    /**
     * @param  Span  $within  counted from when the run began
     * @param  string|null  $value  path of a field whose value is what it was worth
     */
    private function __construct(public Condition $condition, public Span $within, public ?string $value)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('condition', 'within', 'value');
        /** @var array{Condition, Span, string|null} $read */
        $read = $doc->gather([
            fn (): Condition => Conditions::read($doc->object('condition')),
            fn (): Span => Span::under($doc, 'within'),
            fn (): ?string => $doc->has('value') ? $doc->field('value') : null,
        ]);

        return new self(...$read);
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return ['condition' => $this->condition->toDocument(), 'within' => $this->within->toDocument()] +
            ($this->value === null ? [] : ['value' => $this->value]);
    }
}
