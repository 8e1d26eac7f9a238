<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template\Node;

/** An unused code from an imported list: one for each person, the same one if asked again. */
final readonly class Code implements Node
{
    public function __construct(public int $at, public string $list)
    {
    }

    public function written(): string
    {
        return "{{ code: \"$this->list\" }}";
    }
}
