<?php

declare(strict_types=1);

namespace Linnet\Core\Rule;

use Linnet\Core\Reason;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\Conditions;
use Linnet\Core\Rule\Step\Branch;
use Linnet\Core\Rule\Step\GoOnlyIf;
use Linnet\Core\Rule\Step\Repeat;
use Linnet\Core\Rule\Step\WaitFor;
use Linnet\Core\Rule\Step\WaitForDate;

/** What a rule cannot do without, and what it asks about. */
final class Needs
{
    /**
     * What is missing to start it by hand.
     *
     * @param  bool  $hasRecord  it is started for a record
     * @return list<Reason>
     */
    public static function missing(Rule $rule, RuleContext $context, bool $hasRecord): array
    {
        $missing = [];
        $type = $rule->trigger->type();
        if ($type !== RecordType::PERSON && ! $hasRecord) {
            $missing[] = new Reason('start.lacks_record', ['type' => $context->label($type)]);
        }
        foreach (self::dates($rule) as $path) {
            $value = $context->facts->at($path);
            if ($hasRecord && ($value === null || $value === '')) {
                $missing[] = new Reason('start.lacks_field', ['field' => $context->label($path)]);
            }
        }
        if ($context->standing->number === null && $rule->flow->textsToThePerson() !== []) {
            $missing[] = new Reason('start.lacks_number', ['who' => $context->who]);
        }

        return $missing;
    }

    /**
     * The types of record its conditions ask the person for.
     *
     * @return list<string>
     */
    public static function relatedTypes(Rule $rule): array
    {
        $types = [];
        foreach (self::conditions($rule) as $condition) {
            array_push($types, ...Conditions::relatedTypes($condition));
        }

        return array_values(array_unique($types));
    }

    /** Whether one of its conditions asks when the person had a text. */
    public static function asksForTexts(Rule $rule): bool
    {
        return array_filter(self::conditions($rule), Conditions::asksForTexts(...)) !== [];
    }

    /** @return list<string> paths of the dates it waits for */
    private static function dates(Rule $rule): array
    {
        $paths = $rule->trigger->offset() === null ? [] : [(string) $rule->trigger->field()];
        foreach ($rule->flow->steps as $step) {
            if ($step instanceof WaitForDate) {
                $paths[] = $step->field;
            }
        }

        return array_values(array_unique($paths));
    }

    /** @return list<Condition> */
    private static function conditions(Rule $rule): array
    {
        $conditions = [$rule->conditions, $rule->stopEarly->while, $rule->goal?->condition];
        $conditions[] = $rule->trigger->condition();
        foreach ($rule->flow->steps as $step) {
            array_push($conditions, ...match (true) {
                $step instanceof Branch => array_column($step->cases, 0),
                $step instanceof GoOnlyIf, $step instanceof WaitFor => [$step->condition],
                $step instanceof Repeat => [$step->until],
                default => [],
            });
        }

        return array_values(array_filter($conditions));
    }
}
