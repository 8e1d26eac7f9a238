<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\Number\PhoneNumber;
use Linnet\Core\Reason;

/** What a delivery says, in Linnet's own terms. */
final readonly class Cleaned
{
    /**
     * @param  string|null  $externalId  the sender's own name for the record
     * @param  PhoneNumber|null  $number  of the person it belongs to; null where it says none
     * @param  array<string, string>  $person  the person's fields, by key
     * @param  array<string, scalar|null>  $fields  the record's, by key; dates as ISO 8601 in UTC
     * @param  Reason|null  $note  what a reader should know although it was taken
     */
    public function __construct(
        public string $type,
        public ?string $externalId,
        public ?PhoneNumber $number,
        public array $person,
        public array $fields,
        public ?Reason $note,
    ) {
    }
}
