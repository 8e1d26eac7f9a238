<?php

declare(strict_types=1);

namespace Standins;

/** How something is told to Linnet. */
enum How: string
{
    case AsUsual = 'as_usual';
    case Twice = 'twice';
    case Late = 'late';
    case OutOfOrder = 'out_of_order';
    case Broken = 'broken';
    case WrongSecret = 'wrong_secret';

    public function says(): string
    {
        return match ($this) {
            self::AsUsual => 'as usual',
            self::Twice => 'twice',
            self::Late => 'ten seconds late',
            self::OutOfOrder => 'after the next one',
            self::Broken => 'broken off halfway',
            self::WrongSecret => 'with yesterday’s secret',
        };
    }
}
