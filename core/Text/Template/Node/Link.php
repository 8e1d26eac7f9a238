<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template\Node;

/** A short link of ours that leads to the address in a field, and tells who opened it. */
final readonly class Link implements Node
{
    public function __construct(public int $at, public string $path)
    {
    }

    public function written(): string
    {
        return "{{ link: $this->path }}";
    }
}
