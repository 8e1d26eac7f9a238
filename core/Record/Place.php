<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

/** Where something was written: what a bare telephone number and a time without an offset are taken to mean. */
final readonly class Place
{
    /**
     * @param  string  $country  ISO 3166-1 alpha-2
     * @param  string  $zone  IANA
     */
    public function __construct(public string $country, public string $zone)
    {
    }
}
