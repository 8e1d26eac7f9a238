<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Clock\Day;

/** What the texts of a rule brought, by wording, over some days. */
final readonly class Results
{
    /**
     * @param  int  $met  runs that met its goal
     * @param  float|null  $value  what those were worth together; null where the rule has no goal
     * @param  list<WordingResult>  $rows
     */
    public function __construct(
        public int $days,
        public Day $since,
        public int $runs,
        public int $met,
        public ?float $value,
        public array $rows,
    ) {
    }
}
