<?php

declare(strict_types=1);

namespace Linnet\Core\Number;

/**
 * Ranges that national regulators publish for use in drama and examples, where the general numbering data does not know them.
 *
 * Source: Ofcom, "Telephone numbers for use in TV and radio drama programmes"; ARCEP decision 2012-0856 (06 39 98); ComReg (020 91).
 * The North American 555-0100 to 555-0199 and the
 * Australian 0491 570 ranges are in the general data already.
 */
final class FictionRanges
{
    private const RANGES = [
        // pattern of the E.164 form, country, kind, zone
        ['/^\+447700900\d{3}$/', 'GB', NumberKind::Mobile, 'Europe/London'],
        ['/^\+441632960\d{3}$/', 'GB', NumberKind::Landline, 'Europe/London'],
        ['/^\+44(113|114|115|116|117|118|121|131|141|151|161)4960\d{3}$/', 'GB', NumberKind::Landline, 'Europe/London'],
        ['/^\+44(20|28|29)(79460|96496|20180)\d{3}$/', 'GB', NumberKind::Landline, 'Europe/London'],
        ['/^\+441914980\d{3}$/', 'GB', NumberKind::Landline, 'Europe/London'],
        ['/^\+443069990\d{3}$/', 'GB', NumberKind::Other, 'Europe/London'],
        ['/^\+448081570\d{3}$/', 'GB', NumberKind::Other, 'Europe/London'],
        ['/^\+449098790\d{3}$/', 'GB', NumberKind::Other, 'Europe/London'],
        ['/^\+3363998\d{4}$/', 'FR', NumberKind::Mobile, 'Europe/Paris'],
        ['/^\+3532091\d{5}$/', 'IE', NumberKind::Mobile, 'Europe/Dublin'],
    ];

    public static function find(string $e164): ?PhoneNumber
    {
        foreach (self::RANGES as [$pattern, $country, $kind, $zone]) {
            if (preg_match($pattern, $e164) === 1) {
                return new PhoneNumber($e164, $country, $kind, [$zone]);
            }
        }

        return null;
    }
}
