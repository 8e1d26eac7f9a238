<?php

declare(strict_types=1);

namespace Linnet\Core;

final readonly class Money
{
    /**
     * @param  numeric-string  $amount  in whole units of the currency, decimals after a point
     * @param  string  $currency  ISO 4217
     */
    public function __construct(public string $amount, public string $currency)
    {
    }
}
