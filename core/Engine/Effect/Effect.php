<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Effect;

/**
 * Something the engine wants done. The shell does it once, whatever crashes.
 *
 * @phpstan-sealed SendText|DropText|SetFields|SetLabel|Tell|Task|LookUpNumber|StartRule|StopRule|PostOut
 */
interface Effect
{
}
