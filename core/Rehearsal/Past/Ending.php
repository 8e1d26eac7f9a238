<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Past;

use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\Conditions;
use Linnet\Core\Rule\Condition\Truth;
use Linnet\Core\Rule\Condition\Weighed;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\RuleContext;

/** By what some rule takes a thing for done: its goal, or that what must go on holding no longer does. */
final readonly class Ending
{
    private function __construct(private Condition $condition, private bool $byHolding)
    {
    }

    /**
     * @param  list<Rule>  $rules  about the same type
     * @return list<self> each once
     */
    public static function of(array $rules): array
    {
        $endings = [];
        foreach ($rules as $rule) {
            foreach ([[$rule->goal?->condition, true], [$rule->stopEarly->while, false]] as [$condition, $byHolding]) {
                if ($condition !== null) {
                    $endings[json_encode([$condition->toDocument(), $byHolding], JSON_THROW_ON_ERROR)] ??= new self($condition, $byHolding);
                }
            }
        }

        return array_values($endings);
    }

    /** What tells that it is done by now; null where it is not. */
    public function told(RuleContext $context): ?Weighed
    {
        $weighed = $this->condition->weigh($context);

        return $weighed->truth === Truth::of($this->byHolding) ? $weighed : null;
    }

    /** @return list<string> types of record it asks the person for */
    public function relatedTypes(): array
    {
        return Conditions::relatedTypes($this->condition);
    }
}
