<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

final readonly class RecordAdded implements Change
{
    /** @param  string  $type the record type's key, e.g. "call" */
    public function __construct(public string $type)
    {
    }
}
