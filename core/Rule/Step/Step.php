<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

/**
 * One thing a run does. Steps are data; the engine decides.
 *
 * @phpstan-sealed (Text|Ask|Wait|WaitUntil|WaitForDate|WaitFor|GoOnlyIf|Branch|MakeChange|TellStaff|MakeTask|LookUp|OtherRule
 *   |CallOut|Repeat|End)
 */
interface Step
{
    /** Stable for the life of the rule: runs, versions and texts refer to it. */
    public function id(): string;

    /** @return array<string, mixed> */
    public function toDocument(): array;
}
