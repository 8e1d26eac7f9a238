<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Phrase;

use Linnet\Core\Prose\Found;
use Linnet\Core\Prose\Reading;
use Linnet\Core\Prose\Written;

/** A phrase over values of its own, and the two ways between them and some keys of the document. */
final readonly class Mapped implements Phrase
{
    /**
     * @param  list<string>  $keys  of the document
     * @param  \Closure(array<array-key, mixed>): (array<array-key, mixed>|null)  $toPhrase  what stands under the keys, as the phrase
     *   says it; null where it is not its own
     * @param  \Closure(array<array-key, mixed>): (array<array-key, mixed>|null)  $toDocument  back
     */
    public function __construct(private array $keys, private Phrase $phrase, private \Closure $toPhrase, private \Closure $toDocument)
    {
    }

    public function write(array $value): iterable
    {
        $keys = array_flip($this->keys);
        $mapped = ($this->toPhrase)(array_intersect_key($value, $keys));
        foreach ($mapped === null ? [] : $this->phrase->write($mapped) as $one) {
            if ($one->isWhole()) {
                yield new Written($one->parts, array_diff_key($value, $keys));
            }
        }
    }

    public function read(Reading $in, int $at): iterable
    {
        foreach ($in->at($this->phrase, $at) as $one) {
            $value = ($this->toDocument)($one->value);
            if ($value !== null) {
                yield new Found($value, $one->end);
            }
        }
    }
}
