<?php

declare(strict_types=1);

namespace App\Engine;

/** What was claimed together, so that it can be done one by one should it fail together. */
final class Batch
{
    /** @var list<int> */
    private array $ids = [];

    /** @param  list<int>  $ids */
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
