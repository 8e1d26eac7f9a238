<?php

declare(strict_types=1);

namespace App\Conversations;

use App\Models\Conversation;
use App\Models\Staff;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Collection;

/** Who is writing in a conversation at this moment, so that two do not answer at once. */
final readonly class Writers
{
    /** So long after the last letter somebody still writes. */
    private const SECONDS = 10;

    public function __construct(private Repository $cache)
    {
    }

    public function writes(Conversation $conversation, Staff $staff): void
    {
        $this->cache->put(self::key($conversation, $staff), true, self::SECONDS);
    }

    /**
     * @param  Collection<int, Staff>  $colleagues
     * @return list<string> the names of those of them who write there, but for whoever looks
     */
    public function others(Conversation $conversation, Staff $me, Collection $colleagues): array
    {
        return array_values($colleagues
            ->filter(fn (Staff $one): bool => $one->id !== $me->id && $this->cache->get(self::key($conversation, $one)) === true)
            ->pluck('name')
            ->all());
    }

    private static function key(Conversation $conversation, Staff $staff): string
    {
        return "writing/$conversation->id/$staff->id";
    }
}
