<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template\Node;

enum ModifierName: string
{
    /** What to say where the value is missing. */
    case Or = 'or';
    /** How to write a date, a time, a number or money. */
    case As = 'as';
    case Upper = 'upper';
    case Lower = 'lower';
    case Title = 'title';
    /** At most so many characters. */
    case Limit = 'limit';

    public function argument(): string
    {
        return match ($this) {
            self::Or, self::As => 'text',
            self::Limit => 'number',
            self::Upper, self::Lower, self::Title => 'none',
        };
    }
}
