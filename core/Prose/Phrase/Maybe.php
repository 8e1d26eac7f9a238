<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Phrase;

use Linnet\Core\Prose\Found;
use Linnet\Core\Prose\Reading;
use Linnet\Core\Prose\Written;

/** A phrase that may be missing. */
final readonly class Maybe implements Phrase
{
    public function __construct(private Phrase $phrase)
    {
    }

    public function write(array $value): iterable
    {
        yield from $this->phrase->write($value);
        yield new Written([], $value);
    }

    public function read(Reading $in, int $at): iterable
    {
        yield from $in->at($this->phrase, $at);
        yield new Found([], $at);
    }
}
