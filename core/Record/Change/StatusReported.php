<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

/** A text that went to somebody failed, could not be delivered, or had its link opened. */
final readonly class StatusReported implements Change
{
    /** @param  string|null  $rule  key of the rule whose text it was */
    public function __construct(public ReportedStatus $fate, public ?string $rule)
    {
    }
}
