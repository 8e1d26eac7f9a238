<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Rule\Step\Ask;
use Linnet\Core\Rule\Step\Nested;
use Linnet\Core\Rule\Step\Step;
use Linnet\Core\Rule\Step\Texting;
use Linnet\Core\Rule\Step\Wait;
use Linnet\Core\Rule\Step\WaitForDate;
use Linnet\Core\Time\Span;

/** How long a rule waits at least until each of its texts, on the way that waits least. */
final class LeastWaits
{
    /** Minutes in a unit: of working days as few as there can be. */
    private const MINUTES = ['minutes' => 1, 'hours' => 60, 'days' => 1440, 'weeks' => 10_080, 'months' => 40_320, 'working_days' => 1440];

    /**
     * @param  list<Step>  $steps
     * @return array<string, int|null> minutes by step id; null behind a wait for a date
     */
    public static function of(array $steps): array
    {
        $waits = [];
        self::walk($steps, 0, $waits);

        return $waits;
    }

    public static function minutes(Span $span): int
    {
        return $span->amount * self::MINUTES[$span->unit->value];
    }

    /**
     * @param  list<Step>  $steps
     * @param  array<string, int|null>  $waits
     */
    private static function walk(array $steps, ?int $before, array &$waits): void
    {
        foreach ($steps as $step) {
            $before = match (true) {
                $step instanceof Wait => $before === null ? null : $before + self::minutes($step->span),
                $step instanceof WaitForDate => null,
                default => $before,
            };
            if ($step instanceof Texting) {
                $waits[$step->id()] = $before;
            }
            foreach ($step instanceof Nested ? $step->inside() : [] as $i => $inside) {
                // No answer is known when the time for one is over.
                $late =
                    $step instanceof Ask && $i === count($step->answers) && $before !== null
                        ? $before + self::minutes($step->within)
                        : $before;
                self::walk($inside, $late, $waits);
            }
        }
    }
}
