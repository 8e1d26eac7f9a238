<?php

declare(strict_types=1);

namespace App\Forms;

use Linnet\Core\Number\PhoneNumber;

/** What somebody filled in: as the fields keep it. */
final readonly class Filled
{
    /**
     * @param  string|null  $name  the first, in plain letters
     * @param  array<string, string>  $own  last name and email
     * @param  array<string, scalar|null>  $fields  of the person
     * @param  array<string, scalar|null>  $record  of the record the form adds
     */
    public function __construct(
        public PhoneNumber $number,
        public ?string $name,
        public bool $agrees,
        public array $own = [],
        public array $fields = [],
        public array $record = [],
    ) {
    }
}
