<?php

declare(strict_types=1);

namespace App\Pages;

use Illuminate\Support\Collection;

/** What happened, in one time order, day by day. */
final readonly class Story
{
    /** @param  array<string, list<StoryEntry>>  $days by the day's name, oldest first */
    private function __construct(public array $days)
    {
    }

    /** @param  list<StoryEntry>  $entries */
    public static function inOrder(array $entries, string $zone): self
    {
        usort($entries, fn (StoryEntry $a, StoryEntry $b): int => [$a->at, $a->rank] <=> [$b->at, $b->rank]);

        return new self(Collection::make($entries)
            ->groupBy(fn (StoryEntry $entry): string => $entry->at->setTimezone(new \DateTimeZone($zone))->format('l j F Y'))
            ->map(fn (Collection $day): array => array_values($day->all()))->all());
    }
}
