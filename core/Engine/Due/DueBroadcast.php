<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Due;

/** A rule's calendar has come, for all of its audience. */
final readonly class DueBroadcast implements Due
{
    public function __construct(public string $ruleId, public \DateTimeImmutable $at)
    {
    }
}
