<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

/** Somebody became known. */
final readonly class PersonAdded implements Change
{
    public function __construct()
    {
    }
}
