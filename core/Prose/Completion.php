<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

/** One way in which half a sentence may go on. */
final readonly class Completion
{
    /**
     * @param  string  $whole  the sentence with it
     * @param  string  $words  what it puts there; empty where the sentence can end here
     * @param  string|null  $kind  of value, where it is one
     * @param  int  $typed  how many characters of the words are written already
     */
    public function __construct(public string $whole, public string $words, public ?string $kind, public int $typed)
    {
    }
}
