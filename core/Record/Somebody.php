<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

/** Somebody whom a field leads to: said as their name, with parts of their own. */
interface Somebody extends \Stringable
{
    /** A part of them by the name texts and conditions call it; null for anything else. */
    public function part(string $key): string|bool|null;
}
