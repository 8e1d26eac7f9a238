<?php

declare(strict_types=1);

namespace Linnet\Core\Number;

use Linnet\Core\CoreError;
use Linnet\Core\Reason;

/** A written form that no telephone number can be read from. */
final class NotANumber extends \DomainException implements CoreError
{
    private function __construct(private readonly Reason $reason)
    {
        parent::__construct($reason->code);
    }

    public static function because(string $code, string $written, string $country): self
    {
        return new self(new Reason("number.$code", ['written' => $written, 'country' => $country]));
    }

    public function reason(): Reason
    {
        return $this->reason;
    }
}
