<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template;

/** What merge fields are filled from. */
interface Values
{
    /** The value at a path such as booking.starts_at, or null where there is none. */
    public function at(string $path): mixed;
}
