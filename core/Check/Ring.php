<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;
use Linnet\Core\Record\Change\Change;
use Linnet\Core\Record\Change\LabelChanged;
use Linnet\Core\Record\Change\LabelKind;
use Linnet\Core\Record\Change\PersonChanged;
use Linnet\Core\Record\Change\RecordChanged;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\MakeChange;
use Linnet\Core\Rule\Step\OtherRule;

/** Rules that set each other off in a ring. */
final class Ring implements Check
{
    public function findings(Question $of): iterable
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
        foreach (self::changes($step) as $change) {
            if ($other->trigger->meets($change, '')) {
                return true;
            }
        }

        return false;
    }

    /** @return iterable<Change> what a step makes of a record, whatever it was before */
    private static function changes(MakeChange $step): iterable
    {
        foreach (LabelKind::cases() as $kind) {
            foreach ([[$step->add, true], [$step->remove, false]] as [$labels, $added]) {
                foreach ($labels[$kind->value] as $label) {
                    yield new LabelChanged($kind, $label, $added);
                }
            }
        }
        foreach ($step->set as $path => $value) {
            [$type, $key] = RecordType::split($path);
            yield $type === RecordType::PERSON ? new PersonChanged([], [$key => $value]) : new RecordChanged($type, [], [$key => $value]);
        }
    }
}
