<?php

declare(strict_types=1);

namespace Linnet\Core\Time;

use Linnet\Core\Document\Doc;

/** A calendar date with no time of day. */
final readonly class Day
{
    /** @param  string  $date YYYY-MM-DD, an existing day */
    private function __construct(public string $date)
    {
    }

    public static function parse(string $written): ?self
    {
        return preg_match('/^(\d{4})-(\d\d)-(\d\d)$/', trim($written), $part) === 1 &&
            checkdate((int) $part[2], (int) $part[3], (int) $part[1])
            ? new self(trim($written))
            : null;
    }

    /** The date under a key, YYYY-MM-DD. */
    public static function read(Doc $doc, string $key): string
    {
        return $doc->get($key)->self(fn (mixed $value): ?string => is_string($value) ? self::parse($value)?->date : null, 'day_expected');
    }
}
