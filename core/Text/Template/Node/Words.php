<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template\Node;

/** Words that stand in the text as they are. */
final readonly class Words implements Node
{
    public function __construct(public string $words)
    {
    }

    public function written(): string
    {
        return str_replace('{{', '{{ "{{" }}', $this->words);
    }
}
