<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Due;

use Linnet\Core\Engine\Run;

/** A run is to be looked at. */
final readonly class DueRun implements Due
{
    public function __construct(public Run $run)
    {
    }
}
