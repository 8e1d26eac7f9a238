<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Reason;

/** What a change means for one rule it concerns: a run to begin, or why none. */
final readonly class Start
{
    /**
     * @param  string|null  $occasion  what the run is unique by within its rule; null if none begins
     * @param  RunState|null  $state  how it begins
     */
    public function __construct(public string $ruleId, public ?string $occasion, public Reason $reason, public ?RunState $state = null)
    {
    }
}
