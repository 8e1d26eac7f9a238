<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Effect;

/**
 * Something the shell is to do. Its name is unique, so it is done once.
 *
 * @phpstan-sealed SendText|DropText
 */
interface Effect
{
}
