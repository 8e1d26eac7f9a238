<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Grammar;

use Linnet\Core\Prose\Phrase\Choice;
use Linnet\Core\Prose\Phrase\Constant;
use Linnet\Core\Prose\Phrase\Held;
use Linnet\Core\Prose\Phrase\Maybe;
use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\Phrase\Recursive;
use Linnet\Core\Prose\Phrase\Sequence;
use Linnet\Core\Prose\Phrase\Understood;
use Linnet\Core\Prose\Phrase\Unoffered;
use Linnet\Core\Prose\Phrase\Words;
use Linnet\Core\Prose\Slot\Slot;

/** The parts that phrases are made of, in short. */
final class Make
{
    /** Phrases one after the other; a text stands for fixed words. */
    public static function seq(Phrase|string ...$parts): Phrase
    {
        return new Sequence(...self::phrases($parts));
    }

    /** One of them, the settled form first. */
    public static function any(Phrase|string ...$parts): Phrase
    {
        return new Choice(...self::phrases($parts));
    }

    public static function maybe(Phrase|string ...$parts): Phrase
    {
        return new Maybe(self::seq(...$parts));
    }

    /** Read in the place of what is written, and never offered. */
    public static function also(Phrase|string ...$parts): Phrase
    {
        return new Understood(self::seq(...$parts));
    }

    /** Written where nothing else can be, and never offered. */
    public static function last(Phrase|string ...$parts): Phrase
    {
        return new Unoffered(self::seq(...$parts));
    }

    /**
     * What is made when it is come to.
     *
     * @param  \Closure(): Phrase  $make
     */
    public static function lazy(\Closure $make): Phrase
    {
        return new Recursive($make);
    }

    /** @param  array<array-key, mixed>  $values */
    public static function means(array $values): Phrase
    {
        return new Constant($values);
    }

    public static function slot(string $key, Slot $slot): Phrase
    {
        return new Held($key, $slot);
    }

    /** Fixed words in whose place others can be put. */
    public static function turn(string $words, string $kind = 'phrase'): Phrase
    {
        return new Words($words, $kind);
    }

    /** Words that may be there and are never written. */
    public static function free(string $words): Phrase
    {
        return new Maybe(new Understood(new Words($words)));
    }

    /** "a booking", "an order". */
    public static function a(string $noun): string
    {
        return (preg_match('/^[aeiou]/i', $noun) === 1 ? 'an ' : 'a ').$noun;
    }

    /**
     * @param  array<array-key, Phrase|string>  $parts
     * @return list<Phrase>
     */
    private static function phrases(array $parts): array
    {
        return array_values(array_map(fn (Phrase|string $part): Phrase => is_string($part) ? new Words($part) : $part, $parts));
    }
}
