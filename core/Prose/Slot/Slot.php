<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Slot;

use Linnet\Core\Prose\Reading;

/** A kind of value and how it is written in a sentence. */
interface Slot
{
    /** What the page calls it, such as "time" or "span". */
    public function kind(): string;

    /** The value in its settled form; null where it is not of this kind. */
    public function write(mixed $value): ?string;

    /**
     * Every way to read one from a token on.
     *
     * @return iterable<array{mixed, int}> the value, and the token behind it
     */
    public function read(Reading $in, int $at): iterable;

    /**
     * Values that begin with what is written so far, in their settled form.
     *
     * @return list<string>
     */
    public function suggest(string $written): array;
}
