<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Phrase;

use Linnet\Core\Prose\Found;
use Linnet\Core\Prose\Part;
use Linnet\Core\Prose\Reading;
use Linnet\Core\Prose\Slot\Slot;
use Linnet\Core\Prose\Written;

/** A place in a sentence for a value under a key: a word that can be changed. */
final readonly class Held implements Phrase
{
    public function __construct(private string $key, private Slot $slot)
    {
    }

    public function write(array $value): iterable
    {
        if (! array_key_exists($this->key, $value)) {
            return;
        }
        $said = $this->slot->write($value[$this->key]);
        if ($said !== null) {
            yield new Written([new Part($said, $this->slot->kind(), $value[$this->key])], array_diff_key($value, [$this->key => true]));
        }
    }

    public function read(Reading $in, int $at): iterable
    {
        $in->expect($at, $this->slot);
        foreach ($this->slot->read($in, $at) as $one) {
            yield new Found([$this->key => $one[0]], $one[1]);
        }
    }
}
