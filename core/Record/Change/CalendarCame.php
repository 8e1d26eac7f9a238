<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

/** A moment of a rule’s own calendar has come, for one member of its audience. */
final readonly class CalendarCame implements Change
{
    public function __construct(public string $ruleId, public \DateTimeImmutable $at)
    {
    }
}
