<?php

declare(strict_types=1);

namespace App\Engine;

/** What is claimed and done together, so that it can be done one by one should it fail together. */
final class Batch
{
    /** @var list<int> */
    private array $ids = [];

    /** @param  list<int>|null  $only  these alone; null for the next ones */
    public function __construct(public readonly ?array $only = null)
    {
    }

    /** @param  list<int>  $ids  what was claimed for it */
    public function holds(array $ids): void
    {
        $this->ids = $ids;
    }

    /** @return list<int> */
    public function ids(): array
    {
        return $this->ids;
    }
}
