<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

/** Whether words can be what somebody is called, so far as that can be told: no number, no address, no message. */
final class PlainName
{
    /** Characters (code points) of a name that a stranger may give. */
    private const MOST = 30;

    /** Names of up to three words of letters, as strangers give them. Null for anything else. */
    public static function given(string $written): ?string
    {
        $name = trim((string) preg_replace('/[\s\p{Z}]+/u', ' ', $written));
        $word = "\\p{L}[\\p{L}\\p{M}]*(?:['’-]\\p{L}[\\p{L}\\p{M}]*)*\\.?";

        return mb_strlen($name, 'UTF-8') <= self::MOST && preg_match("/^$word(?: $word){0,2}$/Du", $name) === 1 ? $name : null;
    }

    /** Whether it is a telephone number that stands where a name should. */
    public static function isNumber(string $written): bool
    {
        return preg_match('/^[\s\p{Z}+()\/.\-–]*\d[\d\s\p{Z}+()\/.\-–]*$/Du', $written) === 1 || preg_match('/^tel:/i', $written) === 1;
    }
}
