<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

use Linnet\Core\Reason;

/** What could not be understood of a rule's text, and where. */
final readonly class ProseError
{
    /**
     * @param  int  $line  from 1
     * @param  int  $column  in characters, from 1
     */
    public function __construct(public int $line, public int $column, public Reason $reason)
    {
    }

    public function at(int $line, int $column): self
    {
        return new self($line, $column, $this->reason);
    }
}
