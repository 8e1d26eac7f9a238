<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Phrase;

use Linnet\Core\Prose\Reading;

/** A phrase that is understood, but neither written nor offered. */
final readonly class Understood implements Phrase
{
    public function __construct(private Phrase $phrase)
    {
    }

    public function write(array $value): iterable
    {
        return [];
    }

    public function read(Reading $in, int $at): iterable
    {
        return $in->quietly($this->phrase, $at);
    }
}
