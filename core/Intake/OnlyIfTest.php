<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

enum OnlyIfTest: string
{
    /** It is named at all, if only with null. */
    case Exists = 'exists';
    /** Something stands there. */
    case NotNull = 'not_null';
    case Is = 'is';
    case IsNot = 'is_not';
    case OneOf = 'one_of';

    public function says(): string
    {
        return match ($this) {
            self::Exists => 'is there, even if empty',
            self::NotNull => 'is not empty',
            self::Is => 'is',
            self::IsNot => 'is not',
            self::OneOf => 'is one of',
        };
    }

    public function takesValue(): bool
    {
        return $this === self::Is || $this === self::IsNot;
    }

    public function takesList(): bool
    {
        return $this === self::OneOf;
    }
}
