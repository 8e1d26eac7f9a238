<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template\Node;

/** One of several words, chosen by the seed. */
final readonly class Pick implements Node
{
    /** @param  non-empty-list<string>  $choices */
    public function __construct(public int $at, public array $choices)
    {
    }

    public function written(): string
    {
        return '{{ pick: '.implode(' / ', array_map(Modifier::quoted(...), $this->choices)).' }}';
    }
}
