<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use Linnet\Core\Text\Template\Template;

/** What one wording of a step brought. */
final readonly class WordingResult
{
    /**
     * @param  string  $letter  what the text is called on its rule's page
     * @param  Template|string  $words  as they stand, or what they are where none of the wordings now says them
     * @param  bool  $best  it is answered more often than the others, and not by chance
     */
    public function __construct(
        public string $step,
        public string $letter,
        public string $wording,
        public Template|string $words,
        public bool $retired,
        public Came $came,
        public bool $best,
    ) {
    }
}
