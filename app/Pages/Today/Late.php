<?php

declare(strict_types=1);

namespace App\Pages\Today;

use App\Models\Timer;

/** What should have been done by now, and since when. */
final readonly class Late
{
    /** The worker comes round several times a second; what is due for longer is late. */
    private const PATIENCE = '-2 minutes';

    public function __construct(public int $many, public ?\DateTimeImmutable $since)
    {
    }

    /** Texts and steps of runs that are due. */
    public static function of(\DateTimeImmutable $now): self
    {
        $due = Timer::query()->where('due_at', '<=', $now->modify(self::PATIENCE));
        $oldest = $due->clone()->min('due_at');

        return new self($due->count(), is_string($oldest) ? new \DateTimeImmutable($oldest, new \DateTimeZone('UTC')) : null);
    }
}
