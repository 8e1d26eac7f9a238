<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

/**
 * Something that happened in the business.
 *
 * @phpstan-sealed RecordAdded|RecordChanged
 */
interface Change
{
}
