<?php

declare(strict_types=1);

namespace Linnet\Core\Record\Change;

enum AskedBy: string
{
    case Hand = 'hand';
    case Rule = 'rule';
    case Api = 'api';
}
