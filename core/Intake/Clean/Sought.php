<?php

declare(strict_types=1);

namespace Linnet\Core\Intake\Clean;

/** What can be looked for inside a text. */
enum Sought: string
{
    case Phone = 'phone';
    case Email = 'email';
    case Link = 'link';
    case Number = 'number';

    public function pattern(): string
    {
        return match ($this) {
            self::Phone => '/(?:\+|\b00|\(?\b0)[\d\s().\/-]{6,22}\d/u',
            self::Email => '/[\p{L}\p{N}._%+\'-]{1,64}@[\p{L}\p{N}.-]{1,120}\.\p{L}{2,24}/u',
            self::Link => '#https?://[^\s<>"]{3,1900}#iu',
            self::Number => '/[-+]?\d+(?:[.,]\d+)*/u',
        };
    }
}
