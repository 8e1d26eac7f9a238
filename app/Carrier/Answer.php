<?php

declare(strict_types=1);

namespace App\Carrier;

/** What the carrier said to a text handed over. */
final readonly class Answer
{
    /** @param  string|null  $ref the carrier's own name for it */
    private function __construct(public bool $accepted, public bool $final, public ?string $ref, public string $detail)
    {
    }

    public static function accepted(string $ref): self
    {
        return new self(true, true, $ref, '');
    }

    /** It will not be taken, however often it is offered. */
    public static function refused(string $detail): self
    {
        return new self(false, true, null, $detail);
    }

    /** Not now: no answer, too many at once, or the carrier's own trouble. */
    public static function later(string $detail): self
    {
        return new self(false, false, null, $detail);
    }
}
