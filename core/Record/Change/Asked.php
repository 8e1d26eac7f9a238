<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

/** A rule was started by hand, by another rule, or over the API. */
final readonly class Asked implements Change
{
    public function __construct(public string $ruleId, public AskedBy $by)
    {
    }
}
