<?php

declare(strict_types=1);

namespace App\Models;

enum OutboundTaskState: string
{
    case Waiting = 'waiting';
    case Done = 'done';
    case GivenUp = 'given_up';
}
