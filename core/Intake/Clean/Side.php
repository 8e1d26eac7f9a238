<?php

declare(strict_types=1);

namespace Linnet\Core\Intake\Clean;

enum Side: string
{
    case Before = 'before';
    case After = 'after';
}
