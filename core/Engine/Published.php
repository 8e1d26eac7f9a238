<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Rule\Rule;

/** A rule that is switched on, as published. */
final readonly class Published
{
    /** @param  \DateTimeImmutable|null  $lastBeganAt when it last began for this person */
    public function __construct(public string $ruleId, public Rule $rule, public ?\DateTimeImmutable $lastBeganAt = null)
    {
    }
}
