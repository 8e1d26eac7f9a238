<?php

declare(strict_types=1);

namespace Linnet\Core\Intake\Clean;

use Linnet\Core\Intake\Refused;
use Linnet\Core\Record\Place;

/**
 * One step on the way from a value as it came to one that fits its field.
 *
 * @phpstan-sealed EmptyWords|Map|Phone|Find|Written|Unix|Decimal|Cut|Letters
 */
interface Clean
{
    /**
     * @param  scalar  $value  never empty
     * @return scalar|null
     *
     * @throws Refused
     */
    public function apply(string|int|float|bool $value, string $path, Place $place): string|int|float|bool|null;

    /** @return array<string, mixed> */
    public function toDocument(): array;
}
