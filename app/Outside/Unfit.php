<?php

declare(strict_types=1);

namespace App\Outside;

use Linnet\Core\Reason;

/** An address that is not gone to, or that gave nothing useful. */
final class Unfit extends \RuntimeException
{
    private function __construct(public readonly Reason $reason)
    {
        parent::__construct($reason->code);
    }

    /** @param  array<string, scalar>  $with */
    public static function because(string $code, array $with = []): self
    {
        return new self(new Reason("outside.$code", $with));
    }
}
