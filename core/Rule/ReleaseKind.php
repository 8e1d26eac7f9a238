<?php

declare(strict_types=1);

namespace Linnet\Core\Rule;

enum ReleaseKind: string
{
    case Automatic = 'automatic';
    /** They wait until a person lets them go together. */
    case InOneBatch = 'in_one_batch';
    /** Each waits until a person lets it go. */
    case OneByOne = 'one_by_one';
}
