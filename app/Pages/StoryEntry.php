<?php

declare(strict_types=1);

namespace App\Pages;

use App\Models\Message;
use App\Models\Note;
use App\Models\Rule;

/** One thing of a story: a message, a note, or a sentence. */
final readonly class StoryEntry
{
    /**
     * @param  int  $rank  which of several in the same second comes first
     * @param  list<self>  $within  what it sums up
     */
    public function __construct(
        public \DateTimeImmutable $at,
        public int $rank,
        public ?Message $message = null,
        public string $says = '',
        public ?Rule $rule = null,
        public array $within = [],
        public ?Note $note = null,
    ) {
    }
}
