<?php

declare(strict_types=1);

namespace App\Pages\Today;

use App\Models\Timer;

/** Finds by its timers what the engine should have done by now. */
final class DueReader
{
    /** The worker comes round several times a second; what is due for longer is late. */
    private const PATIENCE = '-2 minutes';

    /** Texts and steps of runs that should have been done. */
    public static function late(\DateTimeImmutable $now): Late
    {
        $due = Timer::query()->where('due_at', '<=', $now->modify(self::PATIENCE));
        $oldest = $due->clone()->min('due_at');

        return new Late($due->count(), is_string($oldest) ? new \DateTimeImmutable($oldest, new \DateTimeZone('UTC')) : null);
    }
}
