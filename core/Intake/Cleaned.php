<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\Reason;

/** What came, in Linnet's own terms. */
final readonly class Cleaned
{
    /**
     * @param  string  $type  the record type's key; "person" where only a person is spoken of
     * @param  string|null  $externalId  the sender's own name for the record
     * @param  float|null  $version  grows with each newer state: milliseconds since 1970, or the sender's own count
     * @param  array<string, scalar|null>  $fields  the record's, by key, each as its field keeps it; references still in words
     * @param  Reason|null  $note  what a reader should know although it was taken
     */
    public function __construct(
        public string $type,
        public ?string $externalId,
        public PersonInput $person,
        public array $fields,
        public KnownPeople $knownPeople = KnownPeople::Fill,
        public ?float $version = null,
        public ?Reason $note = null,
    ) {
    }
}
