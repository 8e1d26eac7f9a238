<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Record\Change\Change;

/**
 * What starts a rule.
 *
 * @phpstan-sealed RecordAdded|RecordChanged|DateReached|GoneQuiet|TextReceived|LabelChanged|FormSent|CalendarReached|TextFate|Started
 */
interface Trigger
{
    /** @param  string  $ruleId the rule's own id, for what is meant for one rule alone */
    public function meets(Change $change, string $ruleId): bool;

    /** The type of record a run is about; "person" where it is about the person alone. */
    public function type(): string;

    /** @return array<string, mixed> */
    public function toDocument(): array;
}
