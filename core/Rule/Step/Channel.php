<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

enum Channel: string
{
    case Text = 'text';
    case Email = 'email';
    /** On the screen, until it is put away. */
    case Notice = 'notice';
}
