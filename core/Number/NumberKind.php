<?php

declare(strict_types=1);

namespace Linnet\Core\Number;

/** What sort of line a number reaches, as far as the number itself tells. */
enum NumberKind: string
{
    case Mobile = 'mobile';
    case Landline = 'landline';
    /** The numbering plan does not tell mobiles and landlines apart (North America). */
    case Either = 'either';
    /** Freephone, premium, internet telephony and the like. */
    case Other = 'other';
    case Unknown = 'unknown';

    /** Whether a text has a chance of arriving. */
    public function takesTexts(): bool
    {
        return match ($this) {
            self::Mobile, self::Either, self::Unknown => true,
            self::Landline, self::Other => false,
        };
    }
}
