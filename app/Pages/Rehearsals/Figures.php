<?php

declare(strict_types=1);

namespace App\Pages\Rehearsals;

/**
 * What one side of a rehearsal came to.
 *
 * @phpstan-type Why array{why: string, of: string, many: int}
 */
final readonly class Figures
{
    /**
     * @param  array{at: string, line: int|null, texts: int}|null  $busiest
     * @param  array<string, array{int, int}>  $days  texts, and how many of them were held, by day
     * @param  array<int, array{int, int}>  $hours  the same by hour
     * @param  list<Why>  $reasons  what would not have gone
     * @param  array<string, int>  $acts  what it would have done besides
     */
    private function __construct(
        public int $runs,
        public int $people,
        public int $texts,
        public int $parts,
        public int $micros,
        public int $held,
        public int $longest,
        public int $late,
        public ?array $busiest,
        public array $days,
        public array $hours,
        public array $reasons,
        public array $acts,
    ) {
    }

    /** @param  array<string, mixed>  $kept  as {@see \App\Rehearsals\RehearsalSummary} made it */
    public static function read(array $kept): self
    {
        return new self(...$kept);
    }

    public function price(string $currency): string
    {
        return \App\Clock\TimeFormatter::price($this->micros, $currency);
    }
}
