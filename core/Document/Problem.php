<?php

declare(strict_types=1);

namespace Linnet\Core\Document;

use Linnet\Core\Reason;

/** One thing wrong with a document, and where. */
final readonly class Problem
{
    /** @param  string  $path such as $.steps[2].wait */
    public function __construct(public string $path, public Reason $reason)
    {
    }
}
