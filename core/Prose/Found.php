<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

/** One way in which words can be read. */
final readonly class Found
{
    /**
     * @param  array<array-key, mixed>  $value  the piece of a document
     * @param  int  $end  the token behind it
     */
    public function __construct(public array $value, public int $end)
    {
    }
}
