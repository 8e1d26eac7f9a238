<?php

declare(strict_types=1);

namespace App\Merging;

use Illuminate\Support\Facades\DB;

/** By what two entries may be of one person. */
enum Alike: string
{
    case Email = 'email';
    case Number = 'number';
    case Name = 'name';

    /** Numbers that end alike in so many digits may be one, written with another country's code. */
    public const DIGITS = 8;

    /** @return non-empty-list<string> what is the same of both, as its index has it */
    public function keys(): array
    {
        return match ($this) {
            self::Email => ['lower(email)'],
            self::Number => [DB::getDriverName() === 'pgsql' ? 'right(e164, '.self::DIGITS.')' : 'substr(e164, -'.self::DIGITS.')'],
            self::Name => ['lower(last_name)', "lower(coalesce(first_name, ''))"],
        };
    }

    public function word(): string
    {
        return match ($this) {
            self::Email => 'the same email',
            self::Number => 'a number that ends alike',
            self::Name => 'the same name',
        };
    }
}
