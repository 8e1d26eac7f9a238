<?php

declare(strict_types=1);

namespace App\Pages\Today;

/** What should have been done by now, and since when. */
final readonly class Late
{
    public function __construct(public int $many, public ?\DateTimeImmutable $since)
    {
    }
}
