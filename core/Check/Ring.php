<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Same;
use Linnet\Core\Rule\Step\MakeChange;
use Linnet\Core\Rule\Step\OtherRule;
use Linnet\Core\Rule\Trigger\LabelChanged;
use Linnet\Core\Rule\Trigger\RecordChanged;

/** Rules that set each other off in a ring. */
final class Ring implements Check
{
    public function look(Question $of): iterable
    {
        $ring = self::from($of->rule, $of->others, [$of->rule]);
        if ($ring !== null) {
            yield new Finding(new Reason('check.ring', ['rules' => array_map(fn (Rule $one): string => $one->name, $ring)]));
        }
    }

    /**
     * @param  list<Rule>  $others
     * @param  non-empty-list<Rule>  $way  so far
     * @return list<Rule>|null the rules on it, in their order
     */
    private static function from(Rule $rule, array $others, array $way): ?array
    {
        if (self::setsOff($rule, $way[0])) {
            return $way;
        }
        foreach (count($way) > 9 ? [] : $others as $other) {
            if (! in_array($other, $way, true) && self::setsOff($rule, $other)) {
                $ring = self::from($other, $others, [...$way, $other]);
                if ($ring !== null) {
                    return $ring;
                }
            }
        }

        return null;
    }

    private static function setsOff(Rule $rule, Rule $other): bool
    {
        foreach ($rule->flow->steps as $step) {
            if (
                ($step instanceof OtherRule && $step->starts && $step->rule === $other->key) ||
                ($step instanceof MakeChange && self::changeSetsOff($step, $other))
            ) {
                return true;
            }
        }

        return false;
    }

    private static function changeSetsOff(MakeChange $step, Rule $other): bool
    {
        $trigger = $other->trigger;
        if ($trigger instanceof LabelChanged) {
            $labels = ($trigger->added ? $step->add : $step->remove)[$trigger->kind->value];

            return in_array(
                mb_strtolower($trigger->name, 'UTF-8'),
                array_map(fn (string $one): string => mb_strtolower($one, 'UTF-8'), $labels),
                true,
            );
        }
        if ($trigger instanceof RecordChanged) {
            $path = $trigger->type === RecordType::PERSON ? $trigger->field : "$trigger->type.$trigger->field";

            return array_key_exists($path, $step->set) && ($trigger->to === null || Same::as($step->set[$path], $trigger->to));
        }

        return false;
    }
}
