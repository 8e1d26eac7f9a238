<?php

declare(strict_types=1);

namespace Linnet\Core\Gate;

enum Say: string
{
    case Pass = 'pass';
    case Hold = 'hold';
    case Drop = 'drop';
}
