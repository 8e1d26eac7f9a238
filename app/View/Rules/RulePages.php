<?php

declare(strict_types=1);

namespace App\View\Rules;

use App\Engine\Live\Desk;
use App\Engine\Live\LiveDeeds;
use App\Models\Business;
use App\Models\Rule;
use Psr\Clock\ClockInterface;

final readonly class RulePages
{
    public function __construct(private ClockInterface $clock, private LiveDeeds $deeds, private SampleWorld $worlds)
    {
    }

    /** @param  int|null  $sample id of the record or person it is rehearsed on; null for one that suits it */
    public function of(Rule $rule, ?int $sample): RulePage
    {
        return new RulePage($rule, Business::ours(), Desk::reading($this->clock->now(), $this->deeds), $this->worlds, $sample);
    }
}
