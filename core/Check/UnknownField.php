<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\FieldTest;
use Linnet\Core\Rule\Condition\Group;
use Linnet\Core\Rule\Condition\HasRelated;
use Linnet\Core\Rule\Step\Branch;
use Linnet\Core\Rule\Step\GoOnlyIf;
use Linnet\Core\Rule\Step\MakeChange;
use Linnet\Core\Rule\Step\MakeTask;
use Linnet\Core\Rule\Step\Repeat;
use Linnet\Core\Rule\Step\TellStaff;
use Linnet\Core\Rule\Step\Texting;
use Linnet\Core\Rule\Step\WaitFor;
use Linnet\Core\Rule\Step\WaitForDate;
use Linnet\Core\Text\Template\Node\Link;
use Linnet\Core\Text\Template\Node\MergeField;
use Linnet\Core\Text\Template\Template;

/** A field that nothing has: what hangs on it can never be. */
final class UnknownField implements Check
{
    public function findings(Question $of): iterable
    {
        $known = new KnownFields($of->types);
        foreach (self::used($of) as [$path, $step]) {
            $wrong = $known->wrong($path);
            if ($wrong !== null) {
                yield new Finding($wrong, true, $step);
            }
        }
    }

    /** @return iterable<array{string, string|null}> paths, and the step that names them */
    private static function used(Question $of): iterable
    {
        $trigger = $of->rule->trigger;
        if ($trigger->field() !== null) {
            yield [$trigger->field(), null];
        }
        $conditions = [
            $of->rule->conditions, $of->rule->stopEarly->while, $of->rule->goal?->condition, $trigger->condition(),
        ];
        foreach (array_filter($conditions) as $condition) {
            yield from self::inCondition($condition, null);
        }
        foreach ($of->rule->flow->steps as $step) {
            $id = $step->id();
            foreach (
                array_filter(
                    match (true) {
                        $step instanceof Branch => array_column($step->cases, 0),
                        $step instanceof GoOnlyIf, $step instanceof WaitFor => [$step->condition],
                        $step instanceof Repeat => [$step->until],
                        default => [],
                    },
                ) as $condition
            ) {
                yield from self::inCondition($condition, $id);
            }
            $templates = match (true) {
                $step instanceof Texting => $of->wordsOf($step),
                $step instanceof TellStaff, $step instanceof MakeTask => [$step->words],
                default => [],
            };
            foreach ($templates as $template) {
                yield from self::inWords($template, $id);
            }
            foreach ($step instanceof MakeChange ? array_keys($step->set) : [] as $path) {
                yield [(string) $path, $id];
            }
            if ($step instanceof WaitForDate) {
                yield [$step->field, $id];
            }
        }
    }

    /** @return iterable<array{string, string|null}> */
    private static function inCondition(Condition $condition, ?string $step): iterable
    {
        if ($condition instanceof FieldTest) {
            yield [$condition->field, $step];
        }
        foreach (
            $condition instanceof Group
                ? $condition->parts
                : ($condition instanceof HasRelated && $condition->that !== null
                    ? [$condition->that]
                    : []) as $part
        ) {
            yield from self::inCondition($part, $step);
        }
    }

    /** @return iterable<array{string, string|null}> */
    private static function inWords(Template $template, string $step): iterable
    {
        foreach ($template->nodes as $node) {
            if ($node instanceof MergeField || $node instanceof Link) {
                yield [$node->path, $step];
            }
        }
    }
}
