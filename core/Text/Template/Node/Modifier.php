<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template\Node;

final readonly class Modifier
{
    public function __construct(public int $at, public ModifierName $name, public string|int|null $argument = null)
    {
    }
}
