<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Phrase;

use Linnet\Core\Prose\Found;
use Linnet\Core\Prose\Reading;
use Linnet\Core\Prose\Written;

/**
 * One description of words and of the piece of a document they stand for, used to write, to read and to complete.
 *
 * Source: T. Rendel and K. Ostermann, Invertible syntax descriptions (2010); K. Angelov, Incremental parsing with parallel multiple
 * context-free grammars (2009).
 */
interface Phrase
{
    /**
     * Every way to say what this phrase can say of a piece of a document, the settled one first; none where it is not its own.
     *
     * @param  array<array-key, mixed>  $value
     * @return iterable<Written>
     */
    public function write(array $value): iterable;

    /**
     * Every way to read it from a token on.
     *
     * @return iterable<Found>
     */
    public function read(Reading $in, int $at): iterable;
}
