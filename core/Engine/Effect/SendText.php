<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Effect;

use Linnet\Core\Rule\Step\Texting;

final readonly class SendText implements Effect
{
    /**
     * @param  string  $name  step/round: sent once
     * @param  \DateTimeImmutable  $wantedAt  when it should leave
     * @param  \DateTimeImmutable|null  $anchor  the date it hangs on; a text wanted before it is stale once it has come
     * @param  string|null  $words  what it says instead of its wordings, with merge fields
     */
    public function __construct(
        public string $name,
        public Texting $step,
        public \DateTimeImmutable $wantedAt,
        public int $round = 1,
        public ?\DateTimeImmutable $anchor = null,
        public ?string $words = null,
    ) {
    }
}
