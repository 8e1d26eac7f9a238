<?php

declare(strict_types=1);

namespace Standins;

use Illuminate\Support\Facades\DB;

/** How the carrier, and the number lookup beside it, can be told to misbehave. */
enum Manner: string
{
    case Slow = 'slow';
    case Hung = 'hung';
    case Error = 'error';
    case Duplicate = 'duplicate';
    case OutOfOrder = 'out_of_order';
    case Lost = 'lost';
    case NoKeys = 'no_keys';

    public function says(): string
    {
        return match ($this) {
            self::Slow => 'takes two seconds to answer',
            self::Hung => 'takes ten seconds to answer',
            self::Error => 'answers the first try of every text or look-up with an error',
            self::Duplicate => 'says everything twice',
            self::OutOfOrder => 'says “on its way” after “arrived”',
            self::Lost => 'says nothing of what became of a text',
            self::NoKeys => 'knows no keys: what is offered twice goes twice',
        };
    }

    public function isOn(): bool
    {
        return (bool) DB::table('manners')->where('name', $this->value)->value('on');
    }

    public function set(bool $on): void
    {
        DB::table('manners')->upsert([['name' => $this->value, 'on' => $on]], ['name'], ['on']);
    }
}
