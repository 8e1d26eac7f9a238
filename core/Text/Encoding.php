<?php

declare(strict_types=1);

namespace Linnet\Core\Text;

/** How a text travels, by 3GPP TS 23.038. */
enum Encoding: string
{
    /** The 7-bit default alphabet, counted in septets. */
    case Gsm7 = 'GSM-7';
    /** Counted in UTF-16 code units. */
    case Ucs2 = 'UCS-2';

    /** Units that fit a text of one part. */
    public function alone(): int
    {
        return $this === self::Gsm7 ? 160 : 70;
    }

    /** Units that fit each part of a longer text; the rest carries the joining header. */
    public function joined(): int
    {
        return $this === self::Gsm7 ? 153 : 67;
    }
}
