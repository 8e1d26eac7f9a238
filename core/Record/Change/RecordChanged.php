<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

use Linnet\Core\Record\RecordType;

final readonly class RecordChanged implements Change
{
    /**
     * @param  array<string, mixed>  $from  values before, by field key, of the fields that changed
     * @param  array<string, mixed>  $to  values after
     * @param  bool  $isPassedOn  it is about somebody else now, or about somebody at last
     */
    public function __construct(public string $type, public array $from, public array $to, public bool $isPassedOn = false)
    {
    }

    /**
     * @param  array<string, mixed>  $from
     * @param  array<string, mixed>  $to
     */
    public static function of(RecordType $type, array $from, array $to): self
    {
        return new self($type->key, $from, $to, array_key_exists((string) $type->personField, $to));
    }
}
