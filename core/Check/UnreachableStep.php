<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;
use Linnet\Core\Rule\Condition\Group;
use Linnet\Core\Rule\Condition\Joined;
use Linnet\Core\Rule\Step\Branch;
use Linnet\Core\Rule\Step\End;
use Linnet\Core\Rule\Step\Nested;
use Linnet\Core\Rule\Step\Step;

/** A step that is never come to: behind an end, or in a case behind one that always holds. */
final class UnreachableStep implements Check
{
    public function findings(Question $of): iterable
    {
        return $this->in($of->rule->steps);
    }

    /**
     * @param  list<Step>  $steps
     * @return iterable<Finding>
     */
    private function in(array $steps): iterable
    {
        foreach ($steps as $i => $step) {
            if ($step instanceof End && isset($steps[$i + 1])) {
                yield new Finding(new Reason('check.behind_end', ['outcome' => $step->outcome]), true, $steps[$i + 1]->id());
            }
            if ($step instanceof Branch && self::hidesACase($step)) {
                yield new Finding(new Reason('check.behind_always'), false, $step->id());
            }
            foreach ($step instanceof Nested ? $step->inside() : [] as $inside) {
                yield from $this->in($inside);
            }
        }
    }

    private static function hidesACase(Branch $step): bool
    {
        foreach ($step->cases as $k => [$condition]) {
            if (
                $condition instanceof Group &&
                $condition->joined !== Joined::Any &&
                $condition->parts === [] &&
                (isset($step->cases[$k + 1]) || $step->otherwise !== [])
            ) {
                return true;
            }
        }

        return false;
    }
}
