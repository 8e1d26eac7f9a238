<?php

declare(strict_types=1);

namespace Linnet\Core\InMemory;

use Linnet\Core\Engine\OutText;

/** Is told of each text once it has left on paper; what becomes of it happens then. */
interface Onlooker
{
    public function left(OutText $text): void;
}
