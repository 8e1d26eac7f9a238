<?php

declare(strict_types=1);

namespace Symfony\Component\Clock;

/** The part of the clock component that the date library relies on. */
interface ClockInterface extends \Psr\Clock\ClockInterface
{
    public function sleep(float|int $seconds): void;

    public function withTimeZone(\DateTimeZone|string $timezone): static;
}
