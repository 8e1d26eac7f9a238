<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Phrase;

use Linnet\Core\Prose\Reading;

/** A phrase that is written where nothing else can say the piece, and understood, but not offered. */
final readonly class Unoffered implements Phrase
{
    public function __construct(private Phrase $phrase)
    {
    }

    public function write(array $value): iterable
    {
        return $this->phrase->write($value);
    }

    public function read(Reading $in, int $at): iterable
    {
        return $in->quietly($this->phrase, $at);
    }
}
