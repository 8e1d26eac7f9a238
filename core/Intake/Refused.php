<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\CoreError;
use Linnet\Core\Reason;

/** A delivery that cannot be read as its source's mapping says. */
final class Refused extends \DomainException implements CoreError
{
    private function __construct(private readonly Reason $reason)
    {
        parent::__construct($reason->code);
    }

    /** @param  array<string, scalar>  $with */
    public static function because(string $code, array $with = []): self
    {
        return new self(new Reason("intake.$code", $with));
    }

    public function reason(): Reason
    {
        return $this->reason;
    }
}
