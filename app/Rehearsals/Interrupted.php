<?php

declare(strict_types=1);

namespace App\Rehearsals;

/** A rehearsal does not go on here: it was stopped, or its worker ends. */
final class Interrupted extends \RuntimeException
{
}
