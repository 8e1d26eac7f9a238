<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

/** Other words for a text, which put something right. */
final readonly class Mend
{
    /**
     * @param  string  $was  the words that stand now
     * @param  string  $words  those to put there
     */
    public function __construct(public string $step, public string $was, public string $words)
    {
    }
}
