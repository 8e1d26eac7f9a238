<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

/** A field of a record type. */
final readonly class Field
{
    /**
     * @param  string  $key  what rules and mappings call it; never changes
     * @param  list<string>  $options  of a choice, in their order
     * @param  string|null  $of  the key of the record type another record is of
     * @param  bool  $atPlace  a date and time that is shown by the clock of the place where it happens
     */
    public function __construct(
        public string $key,
        public string $name,
        public FieldKind $kind,
        public array $options = [],
        public ?string $of = null,
        public bool $atPlace = false,
    ) {
    }
}
