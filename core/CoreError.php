<?php

declare(strict_types=1);

namespace Linnet\Core;

/** Everything the core throws on purpose: something a person can mend, said as a code and its facts. */
interface CoreError extends \Throwable
{
    public function reason(): Reason;
}
