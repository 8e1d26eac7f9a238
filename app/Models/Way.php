<?php

declare(strict_types=1);

namespace App\Models;

/** The way by which something came in. */
enum Way: string
{
    case Feed = 'feed';
    case File = 'file';
    case Watched = 'watched';
    case Api = 'api';
    case Hand = 'hand';
    case Text = 'text';
    case Rule = 'rule';
    case Form = 'form';

    /** @param  string  $via  what brought it, by name */
    public function says(string $via): string
    {
        return match ($this) {
            self::Feed, self::Watched => "from $via",
            self::File => "from the file “{$via}”",
            self::Api => "over the API, by $via",
            self::Hand => "by $via",
            self::Text => 'by a text',
            self::Form => "by the form “{$via}”",
            self::Rule => "by the rule “{$via}”",
        };
    }
}
