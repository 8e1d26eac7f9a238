<?php

declare(strict_types=1);

namespace App\Counts;

use App\Models\Conversation;
use Psr\Clock\ClockInterface;

/** How many people wait for an answer: said at several places of one page, counted once. */
final class WaitingConversations
{
    private ?int $count = null;

    public function __construct(private readonly ClockInterface $clock)
    {
    }

    public function count(): int
    {
        return $this->count ??= Conversation::query()->waiting($this->clock->now())->count();
    }
}
