<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal\Past;

/** Whether a text that left at a moment would have arrived at a number, by what carriers really said of it. */
final readonly class NumberFates
{
    /** @param  array<string, non-empty-list<array{int, bool}>>  $told  by number: from when on, in seconds since 1970, and whether */
    public function __construct(private array $told)
    {
    }

    /** Before anything was told of it, it was what was told first; nothing was told of a number that texts reach. */
    public function arrives(string $number, \DateTimeImmutable $at): bool
    {
        $told = $this->told[$number] ?? [[0, true]];
        $arrives = $told[0][1];
        foreach ($told as [$from, $is]) {
            $arrives = $from <= $at->getTimestamp() ? $is : $arrives;
        }

        return $arrives;
    }
}
