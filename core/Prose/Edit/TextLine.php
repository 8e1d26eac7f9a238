<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Edit;

/** A line of a rule's text while it is changed, and where it came from. */
final readonly class TextLine
{
    /** @param  int|null  $was  its number in the text before the change; null where it is new */
    public function __construct(public string $text, public ?int $was = null)
    {
    }

    public function depth(): int
    {
        return intdiv(strlen($this->text) - strlen(ltrim($this->text, ' ')), 2);
    }

    public function isWords(): bool
    {
        return str_starts_with(ltrim($this->text, ' '), '|');
    }

    public function at(int $depth): self
    {
        return new self(str_repeat('  ', max(0, $depth)).ltrim($this->text, ' '), $this->was);
    }

    public function anew(): self
    {
        return new self($this->text);
    }
}
