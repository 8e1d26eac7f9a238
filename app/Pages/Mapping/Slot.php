<?php

declare(strict_types=1);

namespace App\Pages\Mapping;

use Linnet\Core\Intake\Followed;
use Linnet\Core\Intake\Taken;
use Linnet\Core\Record\Field;

/** A field that a value can be put into, with the value on its way there. */
final readonly class Slot
{
    /** @param  list<array{says: string, result: string}>  $steps  what cleans it, each with what it gives */
    public function __construct(
        public string $target,
        public Field $field,
        public ?Taken $taken,
        public ?Followed $followed,
        public array $steps,
        public string $shows,
        public ?string $wrong,
    ) {
    }
}
