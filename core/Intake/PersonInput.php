<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\Number\PhoneNumber;

/** What is said about a person, and what they can be known by. */
final readonly class PersonInput
{
    /** The fields every person has, beside those the administrator adds. */
    public const OWN = ['first_name', 'last_name', 'zone', 'locale'];

    /**
     * @param  string|null  $externalId  the sender's own name for them
     * @param  array<string, string>  $own  of the fields every person has
     * @param  array<string, scalar|null>  $fields  of those the administrator added
     */
    public function __construct(
        public ?string $externalId = null,
        public ?PhoneNumber $number = null,
        public ?string $email = null,
        public array $own = [],
        public array $fields = [],
        public ?ConsentInput $consent = null,
    ) {
    }

    /** Whether there is anything to know them by. */
    public function isSomebody(): bool
    {
        return $this->externalId !== null || $this->number !== null || $this->email !== null;
    }
}
