<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Wording\Share;

/** What one wording of a step brought. */
final readonly class WordingResult
{
    /**
     * @param  Template|string  $words  as they stand, or what they are where none of the wordings now says them
     * @param  int  $sent  how many passed the gate
     * @param  bool  $best  it is answered more often than the others, and not by chance
     */
    public function __construct(
        public string $step,
        public string $wording,
        public Template|string $words,
        public bool $retired,
        public int $sent,
        public Share $answered,
        public Share $ended,
        public Share $opened,
        public Share $met,
        public bool $best,
    ) {
    }
}
