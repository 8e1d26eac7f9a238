<?php

declare(strict_types=1);

namespace App\Pages\Results;

use App\Models\Rule;
use Illuminate\Support\Collection;

/** What the texts of a rule, or of those that no rule sent, cost and brought in a month. */
final readonly class RuleCost
{
    private function __construct(
        public string $says,
        public ?string $by,
        public ?Rule $rule,
        public int $texts,
        public int $micros,
        public int $answered,
        public int $met,
        public float $value,
    ) {
    }

    /**
     * @param  string|null  $by  what Sent lists them under; null for what came in
     * @param  Collection<array-key, \stdClass>  $counted
     * @param  \stdClass|null  $goal  how often its goal was met, and what that was worth
     */
    public static function of(string $says, ?string $by, Collection $counted, ?Rule $rule = null, ?\stdClass $goal = null): self
    {
        return new self(
            $says, $by, $rule, (int) $counted->sum('texts'), (int) $counted->sum('price'), (int) $counted->sum('answered'),
            (int) ($goal->met ?? 0), (float) ($goal->worth ?? 0),
        );
    }
}
