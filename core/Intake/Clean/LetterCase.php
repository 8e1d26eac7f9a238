<?php

declare(strict_types=1);

namespace Linnet\Core\Intake\Clean;

enum LetterCase: string
{
    case Upper = 'upper';
    case Lower = 'lower';
    case Title = 'title';
}
