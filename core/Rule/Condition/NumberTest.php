<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

enum NumberTest: string
{
    case Mobile = 'mobile';
    case Landline = 'landline';
    case Alive = 'alive';
    case Dead = 'dead';
    /** They have no number. */
    case None = 'none';
}
