<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Time\Span;

/** What becomes of a text whose moment was past already when it was worked out. */
final readonly class IfLate
{
    /** @param  Span|null  $left  it goes only while this much remains before the date it hangs on */
    public function __construct(public bool $skip = false, public ?Span $left = null)
    {
    }

    public static function read(Doc $doc): self
    {
        if (is_string($doc->value)) {
            return new self(skip: $doc->self(fn (mixed $v): ?bool => match ($v) {
                'at_once' => false, 'skip' => true, default => null,
            }, 'if_late_expected'));
        }
        $doc->allow('only_with');

        return new self(left: Span::under($doc, 'only_with'));
    }

    public function isAtOnce(): bool
    {
        return ! $this->skip && $this->left === null;
    }

    /** @return string|array<string, mixed> */
    public function toDocument(): string|array
    {
        return $this->left === null ? ($this->skip ? 'skip' : 'at_once') : ['only_with' => $this->left->toDocument()];
    }
}
