<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Reason;

/** When to look whether a rule begins by itself for a subject; null to look no more. */
final readonly class ScheduledStart
{
    /** @param  Reason|null  $reason what became of the moment it was looked for before */
    public function __construct(public string $ruleId, public ?\DateTimeImmutable $dueAt, public ?Reason $reason = null)
    {
    }
}
