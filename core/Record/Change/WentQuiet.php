<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

/** A record has been left alone for as long as a rule waits. */
final readonly class WentQuiet implements Change
{
    /** @param  \DateTimeImmutable  $since  when something last happened to it */
    public function __construct(public string $ruleId, public \DateTimeImmutable $since)
    {
    }
}
