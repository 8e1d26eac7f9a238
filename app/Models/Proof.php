<?php

declare(strict_types=1);

namespace App\Models;

/** How a source shows that it is itself. */
enum Proof: string
{
    /** It gives the secret: as a bearer token, or in the address. */
    case Secret = 'secret';
    /** It signs what it sends (Standard Webhooks). */
    case Signature = 'signature';

    public function says(): string
    {
        return match ($this) {
            self::Secret => 'It gives its secret',
            self::Signature => 'It signs what it sends',
        };
    }
}
