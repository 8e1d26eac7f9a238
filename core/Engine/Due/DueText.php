<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Due;

use Linnet\Core\Engine\OutText;

/** A text that was held is to be put before the gate again. */
final readonly class DueText implements Due
{
    public function __construct(public OutText $text)
    {
    }
}
