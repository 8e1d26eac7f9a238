<?php

declare(strict_types=1);

namespace App\Audiences;

/** A condition in the database's own words, with what is bound to it. */
final readonly class Sql
{
    /** @param  list<scalar>  $bindings */
    public function __construct(public string $sql, public array $bindings = [])
    {
    }

    public static function always(bool $holds): self
    {
        return new self($holds ? '1 = 1' : '1 = 0');
    }

    /** @param  list<self>  $parts */
    public static function all(array $parts): self
    {
        return self::joined($parts, 'and', true);
    }

    /** @param  list<self>  $parts */
    public static function any(array $parts): self
    {
        return self::joined($parts, 'or', false);
    }

    public function not(): self
    {
        return new self("not ($this->sql)", $this->bindings);
    }

    /** @param  list<self>  $parts */
    private static function joined(array $parts, string $by, bool $ofNone): self
    {
        return $parts === []
            ? self::always($ofNone)
            : new self(
                implode(" $by ", array_map(fn (self $part): string => "($part->sql)", $parts)),
                array_merge(...array_column($parts, 'bindings')),
            );
    }
}
