<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

use Linnet\Core\Rule\Trigger\KnownFate;

/** A text that went to somebody failed, could not be delivered, or had its link opened. */
final readonly class FateKnown implements Change
{
    /** @param  string|null  $rule  key of the rule whose text it was */
    public function __construct(public KnownFate $fate, public ?string $rule)
    {
    }
}
