<?php

declare(strict_types=1);

namespace App\Pages\Today;

use App\Models\Message;

/** One thing that waits for a decision, with the decision in its row. */
final readonly class Need
{
    /** @param  list<Act>  $acts decisions made in the row */
    public function __construct(
        public string $tone,
        public string $what,
        public string $why,
        public string $act,
        public string $href,
        public ?Message $message = null,
        public array $acts = [],
    ) {
    }
}
