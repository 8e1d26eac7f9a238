<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Record\Change\Change;

/** What has come when the moment waited for is there. */
final readonly class ResolvedTimer
{
    /**
     * @param  Change|null  $change  null where it has not come after all
     * @param  \DateTimeImmutable|null  $next  when to look again; null for never
     */
    public function __construct(public ?Change $change, public ?\DateTimeImmutable $next)
    {
    }
}
