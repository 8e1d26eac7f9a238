<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

/** Looks for one thing that may be wrong with a rule. */
interface Check
{
    /** @return iterable<Finding> */
    public function findings(Question $of): iterable;
}
