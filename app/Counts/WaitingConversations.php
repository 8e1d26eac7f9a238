<?php

declare(strict_types=1);

namespace App\Counts;

use App\Models\Conversation;

/** How many people wait for an answer: said at several places of one page, counted once. */
final class WaitingConversations
{
    private ?int $count = null;

    public function count(): int
    {
        return $this->count ??= Conversation::query()->whereNotNull('waiting_since')->count();
    }
}
