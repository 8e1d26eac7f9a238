<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

/** What people are sorted by. */
enum LabelKind: string
{
    case Tag = 'tag';
    case List = 'list';
}
