<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

enum Joined: string
{
    case All = 'all';
    case Any = 'any';
    case None = 'none';

    /** @param  list<Truth>  $truths */
    public function truth(array $truths): Truth
    {
        return match ($this) {
            self::All => Truth::all($truths),
            self::Any => Truth::any($truths),
            self::None => Truth::any($truths)->not(),
        };
    }

    /** The truth of a part that by itself explains the truth of the whole. */
    public function decidedBy(Truth $whole): Truth
    {
        return $this === self::None ? $whole->not() : $whole;
    }
}
