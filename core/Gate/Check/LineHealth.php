<?php

declare(strict_types=1);

namespace Linnet\Core\Gate\Check;

use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Reason;

/** Not so many of the line's last texts failed that carriers would shut it down. */
final class LineHealth implements Check
{
    public function judge(Candidate $text, Policy $policy, \DateTimeImmutable $now): Verdict
    {
        $health = $text->health;
        $with = ['line' => $text->lineName, 'failed' => $health->failed, 'of' => $health->attempts];

        return match (true) {
            $policy->health->pauses($health) => Verdict::hold(new Reason('gate.line_unwell', $with), null),
            $policy->health->warns($health) => Verdict::pass(new Reason('gate.line_ailing', $with)),
            default => Verdict::pass(new Reason('gate.line_well', $with)),
        };
    }
}
