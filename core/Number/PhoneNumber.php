<?php

declare(strict_types=1);

namespace Linnet\Core\Number;

/** A telephone number as Linnet keeps it. */
final readonly class PhoneNumber
{
    /**
     * @param  string  $e164  ITU-T E.164, with the leading plus
     * @param  string  $country  ISO 3166-1 alpha-2; "001" for numbers of no country
     * @param  non-empty-list<string>  $zones  every IANA time zone the number may lie in
     */
    public function __construct(
        public string $e164,
        public string $country,
        public NumberKind $kind,
        public array $zones,
    ) {
    }
}
