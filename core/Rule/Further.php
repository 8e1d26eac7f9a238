<?php

declare(strict_types=1);

namespace Linnet\Core\Rule;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Rule\Step\Step;
use Linnet\Core\Rule\Step\Steps;

/** What a rule has gained at its end: those who have been through it may take the further steps too. */
final class Further
{
    /** The first of the steps that follow what was the last; null where it is not the same sequence with more behind it. */
    public static function step(Rule $was, Rule $is): ?string
    {
        $ids = fn (Rule $rule): array => array_map(fn (Step $step): string => $step->id(), $rule->steps);
        $before = $ids($was);

        return $before === array_slice($ids($is), 0, count($before)) ? $ids($is)[count($before)] ?? null : null;
    }

    /** A rule of nothing but the further steps, to be rehearsed from now on; null where they cannot stand alone. */
    public static function alone(Rule $is, string $step): ?Rule
    {
        $steps = $is->steps;
        while ($steps !== [] && $steps[0]->id() !== $step) {
            array_shift($steps);
        }
        try {
            return $steps === []
                ? null
                : Rule::read(
                    Doc::of(
                        ['trigger' => ['on' => 'started', 'type' => $is->trigger->type()], 'steps' => Steps::toDocument($steps)] +
                            array_diff_key($is->toDocument(), ['examples' => 1]),
                    ),
                );
        } catch (Unreadable) {
            return null;
        }
    }
}
