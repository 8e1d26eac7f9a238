<?php

declare(strict_types=1);

namespace App\Pages\Today;

/** A decision that is made in the row: a button that posts. */
final readonly class Act
{
    /** @param  array<string, string>  $values */
    public function __construct(
        public string $label,
        public string $href,
        public array $values = [],
        public string $can = 'administer',
        public string $method = 'post',
    ) {
    }
}
