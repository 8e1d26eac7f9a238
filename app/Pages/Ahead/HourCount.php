<?php

declare(strict_types=1);

namespace App\Pages\Ahead;

/** What may leave within an hour. */
final readonly class HourCount
{
    /** @param  int  $held  that leave later than they would, for decent hours */
    public function __construct(public int $texts, public int $micros, public int $held)
    {
    }

    public static function of(\stdClass $row): self
    {
        return new self((int) $row->texts, (int) $row->micros, (int) $row->held);
    }
}
