<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

/** A person got or lost a tag, or came onto or off a list. */
final readonly class LabelChanged implements Change
{
    public function __construct(public LabelKind $kind, public string $name, public bool $added)
    {
    }
}
