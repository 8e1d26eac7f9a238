<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Phrase;

use Linnet\Core\Prose\Found;
use Linnet\Core\Prose\Reading;
use Linnet\Core\Prose\Written;

/** A phrase, and one behind it that hangs on what the first one says: the tests of a field on its kind. */
final readonly class Dependent implements Phrase
{
    /** @param  \Closure(array<array-key, mixed>): Phrase  $then  the same phrase for the same values */
    public function __construct(private Phrase $first, private \Closure $then)
    {
    }

    public function write(array $value): iterable
    {
        foreach ($this->first->write($value) as $one) {
            foreach (($this->then)(array_diff_key($value, $one->left))->write($one->left) as $more) {
                yield new Written([...$one->parts, ...$more->parts], $more->left);
            }
        }
    }

    public function read(Reading $in, int $at): iterable
    {
        foreach ($in->at($this->first, $at) as $one) {
            foreach ($in->at(($this->then)($one->value), $one->end) as $more) {
                yield new Found($one->value + $more->value, $more->end);
            }
        }
    }
}
