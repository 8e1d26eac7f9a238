<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

/** Kleene's three values: a test on a missing value is unknown, and unknown is not true. */
enum Truth
{
    case True;
    case False;
    case Unknown;

    public static function of(bool $holds): self
    {
        return $holds ? self::True : self::False;
    }

    public function not(): self
    {
        return match ($this) {
            self::True => self::False,
            self::False => self::True,
            self::Unknown => self::Unknown,
        };
    }

    /** @param  list<self>  $truths */
    public static function all(array $truths): self
    {
        return match (true) {
            in_array(self::False, $truths, true) => self::False,
            in_array(self::Unknown, $truths, true) => self::Unknown,
            default => self::True,
        };
    }

    /** @param  list<self>  $truths */
    public static function any(array $truths): self
    {
        return match (true) {
            in_array(self::True, $truths, true) => self::True,
            in_array(self::Unknown, $truths, true) => self::Unknown,
            default => self::False,
        };
    }
}
