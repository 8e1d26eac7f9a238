<?php

declare(strict_types=1);

namespace App\View\Rules;

use App\Engine\Profiles;
use App\Engine\Situations;
use App\Models\Business;
use App\Models\Rule;

final readonly class RulePages
{
    public function __construct(private Profiles $profiles, private Situations $situations)
    {
    }

    /** @param  int|null  $sample id of the record it is rehearsed on; null for one that suits it */
    public function of(Rule $rule, ?int $sample): RulePage
    {
        return new RulePage($rule, Business::ours(), $this->profiles, $this->situations, $sample);
    }
}
