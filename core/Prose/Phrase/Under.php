<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Phrase;

use Linnet\Core\Prose\Found;
use Linnet\Core\Prose\Reading;
use Linnet\Core\Prose\Written;

/** A phrase that says the whole of what stands under a key. */
final readonly class Under implements Phrase
{
    public function __construct(private string $key, private Phrase $phrase)
    {
    }

    public function write(array $value): iterable
    {
        if (! is_array($value[$this->key] ?? null)) {
            return;
        }
        foreach ($this->phrase->write($value[$this->key]) as $one) {
            if ($one->isWhole()) {
                yield new Written($one->parts, array_diff_key($value, [$this->key => true]));
            }
        }
    }

    public function read(Reading $in, int $at): iterable
    {
        foreach ($in->at($this->phrase, $at) as $one) {
            yield new Found([$this->key => $one->value], $one->end);
        }
    }
}
