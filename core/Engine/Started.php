<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

/** What a change comes to: runs that begin, or why they do not, and what is waited for from now on. */
final readonly class Started
{
    /**
     * @param  list<Start>  $starts
     * @param  list<ScheduledStart>  $scheduledStarts
     */
    public function __construct(public array $starts, public array $scheduledStarts)
    {
    }
}
