<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

/** A step with steps of its own inside, which lead on to the step after it. */
interface Nested
{
    /** @return list<list<Step>> */
    public function inside(): array;
}
