<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\FieldTest;
use Linnet\Core\Rule\Condition\Group;
use Linnet\Core\Rule\Condition\Joined;
use Linnet\Core\Rule\Condition\OpeningHours;
use Linnet\Core\Rule\Condition\Test;

/** Two rules that text the same people for the same occasion. */
final class SameOccasion implements Check
{
    public function findings(Question $of): iterable
    {
        foreach ($of->others as $other) {
            if (
                $of->rule->flow->textsToThePerson() !== [] &&
                $other->flow->textsToThePerson() !== [] &&
                $other->trigger->toDocument() == $of->rule->trigger->toDocument() &&
                ! self::exclude($of->rule->conditions, $other->conditions)
            ) {
                yield new Finding(new Reason('check.same_occasion', ['rule' => $other->name]));
            }
        }
    }

    /** Whether both can never hold: a field is to have two values, or we are to be open and closed. */
    private static function exclude(Condition $a, Condition $b): bool
    {
        foreach (self::parts($a) as $mine) {
            foreach (self::parts($b) as $theirs) {
                if (
                    ($mine instanceof OpeningHours && $theirs instanceof OpeningHours && $mine->open !== $theirs->open) ||
                    ($mine instanceof FieldTest &&
                        $theirs instanceof FieldTest &&
                        $mine->field === $theirs->field &&
                        $mine->test === Test::Is &&
                        $theirs->test === Test::Is &&
                        $mine->value !== $theirs->value)
                ) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return list<Condition> those that all must hold */
    private static function parts(Condition $condition): array
    {
        return $condition instanceof Group && $condition->joined === Joined::All
            ? array_merge(...array_map(self::parts(...), $condition->parts), ...[[]])
            : [$condition];
    }
}
