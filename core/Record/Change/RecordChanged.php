<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

final readonly class RecordChanged implements Change
{
    /**
     * @param  array<string, mixed>  $from  values before, by field key, of the fields that changed
     * @param  array<string, mixed>  $to  values after
     */
    public function __construct(public string $type, public array $from, public array $to)
    {
    }
}
