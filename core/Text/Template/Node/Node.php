<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template\Node;

/** @phpstan-sealed Words|MergeField|Pick|Link|Code */
interface Node
{
    /** As it stands in a text that the parser reads. */
    public function written(): string;
}
