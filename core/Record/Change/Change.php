<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

/**
 * Something that happened, in the business or by its own clock.
 *
 * @phpstan-sealed (RecordAdded|RecordChanged|PersonAdded|PersonChanged|TextReceived|LabelChanged|FormSent|StatusReported|DateCame
 *   |WentQuiet|CalendarCame|Asked)
 */
interface Change
{
}
