<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Phrase;

use Linnet\Core\Prose\Found;
use Linnet\Core\Prose\Reading;
use Linnet\Core\Prose\Written;

/** Says nothing: the words around it mean that these values stand in the piece. */
final readonly class Constant implements Phrase
{
    /** @param  array<array-key, mixed>  $values */
    public function __construct(private array $values)
    {
    }

    public function write(array $value): iterable
    {
        foreach ($this->values as $key => $wanted) {
            if (! array_key_exists($key, $value) || $value[$key] !== $wanted) {
                return;
            }
        }
        yield new Written([], array_diff_key($value, $this->values));
    }

    public function read(Reading $in, int $at): iterable
    {
        yield new Found($this->values, $at);
    }
}
