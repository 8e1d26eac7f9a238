<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Phrase;

use Linnet\Core\Prose\Found;
use Linnet\Core\Prose\Reading;
use Linnet\Core\Prose\Written;

/** Phrases one after the other, each of which says a part of the same piece. */
final readonly class Sequence implements Phrase
{
    /** @var list<Phrase> */
    private array $phrases;

    public function __construct(Phrase ...$phrases)
    {
        $this->phrases = array_values($phrases);
    }

    public function write(array $value): iterable
    {
        return $this->writeFrom(0, new Written([], $value));
    }

    public function read(Reading $in, int $at): iterable
    {
        $found = [new Found([], $at)];
        foreach ($this->phrases as $phrase) {
            $next = [];
            foreach ($found as $before) {
                foreach ($in->at($phrase, $before->end) as $one) {
                    $next[] = new Found($before->value + $one->value, $one->end);
                }
            }
            $found = $next;
        }

        return $found;
    }

    /** @return iterable<Written> */
    private function writeFrom(int $i, Written $before): iterable
    {
        if (! isset($this->phrases[$i])) {
            yield $before;

            return;
        }
        foreach ($this->phrases[$i]->write($before->left) as $one) {
            yield from $this->writeFrom($i + 1, new Written([...$before->parts, ...$one->parts], $one->left));
        }
    }
}
