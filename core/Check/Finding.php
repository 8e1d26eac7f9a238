<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;

/** Something about a rule that is wrong, or worth a look. */
final readonly class Finding
{
    /**
     * @param  bool  $blocks  the rule cannot be published so
     * @param  string|null  $step  the id of the step it is about
     * @param  Mend|null  $mend  what would put it right by one click
     */
    public function __construct(public Reason $reason, public bool $blocks = false, public ?string $step = null, public ?Mend $mend = null)
    {
    }
}
