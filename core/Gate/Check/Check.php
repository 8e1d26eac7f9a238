<?php

declare(strict_types=1);

namespace Linnet\Core\Gate\Check;

use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Gate\Verdict;

/** One of the gate's questions. */
interface Check
{
    public function judge(Candidate $text, Policy $policy, \DateTimeImmutable $now): Verdict;
}
