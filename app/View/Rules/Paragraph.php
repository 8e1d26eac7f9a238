<?php

declare(strict_types=1);

namespace App\View\Rules;

use Linnet\Core\Rule\Step\Texting;

/** One sentence of a rule, with the text it sends if it sends one. */
final readonly class Paragraph
{
    /**
     * @param  list<string|Word>  $parts
     * @param  string|null  $mark  the letter of its text on the time line
     * @param  int  $depth  how deep it stands within cases, 0 at the outermost
     */
    public function __construct(public array $parts, public ?Texting $text = null, public ?string $mark = null, public int $depth = 0)
    {
    }
}
