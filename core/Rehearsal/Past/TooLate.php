<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Past;

use Linnet\Core\Reason;

/** Why a text would have come when it was no longer wanted, and since when it was not. */
final readonly class TooLate
{
    public function __construct(public \DateTimeImmutable $since, public Reason $because)
    {
    }
}
