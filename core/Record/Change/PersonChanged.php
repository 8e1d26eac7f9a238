<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

/** Something about a person became otherwise. */
final readonly class PersonChanged implements Change
{
    /**
     * @param  array<string, mixed>  $from  values before, by field key, of the fields that changed
     * @param  array<string, mixed>  $to  values after
     */
    public function __construct(public array $from, public array $to)
    {
    }
}
