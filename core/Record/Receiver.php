<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

use Linnet\Core\Number\NumberKind;

/** The person a text is for, as far as sending asks. */
final readonly class Receiver
{
    /**
     * @param  string  $who  what to call them in a sentence
     * @param  string|null  $number  E.164; null where they have none
     * @param  string  $country  ISO 3166-1 alpha-2 of the number
     * @param  bool|null  $alive  null where nobody has asked
     * @param  string  $zone  the IANA zone taken for their time of day
     * @param  non-empty-list<string>  $zones  every zone they may be in
     * @param  bool  $optedOut  they said stop; of a member of staff: they do not want to be texted
     * @param  bool  $mayHaveOptedOut  they wrote what reads like it, and nobody has decided yet
     * @param  int|null  $staffId  where it is a member of staff
     */
    public function __construct(
        public string $who,
        public ?string $number,
        public string $country,
        public NumberKind $kind,
        public ?bool $alive,
        public string $zone,
        public array $zones,
        public string $locale,
        public bool $optedOut = false,
        public bool $optedIn = false,
        public bool $mayHaveOptedOut = false,
        public ?int $personId = null,
        public ?int $staffId = null,
    ) {
    }
}
