<?php

declare(strict_types=1);

namespace App\Pages\Ahead;

/** When the most texts would leave one line within a minute. */
final readonly class BusiestMinute
{
    public function __construct(public int $lineId, public \DateTimeImmutable $at, public int $texts)
    {
    }
}
