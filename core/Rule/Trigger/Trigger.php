<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Record\Change\Change;

/**
 * What starts a rule.
 *
 * @phpstan-sealed RecordAdded|RecordChanged
 */
interface Trigger
{
    public function meets(Change $change): bool;

    /** The type of record a run is about. */
    public function type(): string;

    /** @return array<string, mixed> */
    public function toDocument(): array;
}
