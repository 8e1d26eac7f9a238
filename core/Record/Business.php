<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

use Linnet\Core\Gate\Tariff;

/** The business in whose name texts go out. */
final readonly class Business
{
    /** @param  string  $stopLine what the first text on a line ends with, e.g. "Reply STOP to hear no more." */
    public function __construct(public string $name, public string $zone, public string $stopLine, public Tariff $tariff)
    {
    }
}
