<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Phrase;

use Linnet\Core\Prose\Reading;

/** A phrase that is made when it is needed: one that holds itself, or one of many. */
final class Recursive implements Phrase
{
    private ?Phrase $made = null;

    /** @param  \Closure(): Phrase  $make */
    public function __construct(private readonly \Closure $make)
    {
    }

    public function write(array $value): iterable
    {
        return $this->phrase()->write($value);
    }

    public function read(Reading $in, int $at): iterable
    {
        return $in->at($this->phrase(), $at);
    }

    private function phrase(): Phrase
    {
        return $this->made ??= ($this->make)();
    }
}
