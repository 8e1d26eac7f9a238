<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Phrase;

use Linnet\Core\Prose\Reading;

/** One of several; what the first can say is the settled form. */
final readonly class Choice implements Phrase
{
    /** @var list<Phrase> */
    private array $phrases;

    public function __construct(Phrase ...$phrases)
    {
        $this->phrases = array_values($phrases);
    }

    public function write(array $value): iterable
    {
        foreach ($this->phrases as $phrase) {
            yield from $phrase->write($value);
        }
    }

    public function read(Reading $in, int $at): iterable
    {
        foreach ($this->phrases as $phrase) {
            yield from $in->at($phrase, $at);
        }
    }
}
