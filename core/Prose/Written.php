<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

/** What a phrase said of a piece of a document, and what of it is still to be said. */
final readonly class Written
{
    /**
     * @param  list<Part>  $parts
     * @param  array<array-key, mixed>  $left
     */
    public function __construct(public array $parts, public array $left)
    {
    }

    public function isWhole(): bool
    {
        return $this->left === [];
    }
}
