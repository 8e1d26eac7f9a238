<?php

declare(strict_types=1);

namespace Linnet\Core\Number;

use libphonenumber\NumberParseException;
use libphonenumber\PhoneNumber as Parsed;
use libphonenumber\PhoneNumberFormat;
use libphonenumber\PhoneNumberToTimeZonesMapper;
use libphonenumber\PhoneNumberType;
use libphonenumber\PhoneNumberUtil;

/** Reads telephone numbers as people and systems write them. */
final class Numbers
{
    /**
     * @param  string  $written  any written form: "(0)7700 900 123", "0044-7700…", "tel:+44…"
     * @param  string  $country  ISO 3166-1 alpha-2 of the country a number without a country code belongs to
     *
     * @throws NotANumber if nothing is written, the country is unknown, or no number of possible length can be read
     */
    public static function read(string $written, string $country): PhoneNumber
    {
        $library = PhoneNumberUtil::getInstance();
        $country = strtoupper($country);
        $text = self::tidy($written);

        if (! in_array($country, $library->getSupportedRegions(), true)) {
            throw NotANumber::because('country', $written, $country);
        }

        if ($text === '') {
            throw NotANumber::because('empty', $written, $country);
        }

        if (preg_match('/\p{Nd}/u', $text) !== 1) {
            throw NotANumber::because(
                preg_match(
                    '/^(withheld|anonymous|private|restricted|unknown|unavailable|blocked|hidden|none|no number|n\/?a|[^\p{L}]*)$/iu',
                    $text,
                ) === 1
                    ? 'withheld'
                    : 'unreadable',
                $written,
                $country,
            );
        }

        if (preg_match('/\d{6,}[^;,\/|]*[;,\/|]\D*\d{6,}/', str_replace([' ', '-', '.'], '', $text)) === 1) {
            throw NotANumber::because('several', $written, $country);
        }

        try {
            $parsed = $library->parse($text, $country);

            // "00" is how most of the world dials abroad, also where the default country dials something else.
            if (! $library->isPossibleNumber($parsed) && str_starts_with($text, '00')) {
                $parsed = $library->parse('+'.substr($text, 2), $country);
            }
        } catch (NumberParseException $e) {
            throw NotANumber::because(
                $e->getErrorType() === NumberParseException::INVALID_COUNTRY_CODE ? 'country_code' : 'unreadable',
                $written,
                $country,
            );
        }

        $e164 = $library->format($parsed, PhoneNumberFormat::E164);

        return FictionRanges::find($e164) ?? self::known($library, $parsed, $e164, $written, $country);
    }

    /** The usual written form for a reader abroad, e.g. "+44 7700 900123". */
    public static function pretty(string $e164): string
    {
        try {
            $library = PhoneNumberUtil::getInstance();

            return $library->format($library->parse($e164), PhoneNumberFormat::INTERNATIONAL);
        } catch (NumberParseException) {
            return $e164;
        }
    }

    /**
     * A pattern (PCRE, delimiter ~) for a number as it may stand in a longer text: with or without its country's code and what is dialled
     * before it, however its digits are set apart.
     */
    public static function written(string $e164): string
    {
        $apart = '[\\s().\\/\\\\-]{0,3}';
        $digits = fn (string $number): string => implode($apart, str_split($number));
        try {
            $library = PhoneNumberUtil::getInstance();
            $parsed = $library->parse($e164);
            $country = $digits((string) $parsed->getCountryCode());

            return "(?<!\\d)(?:(?:(?:00|011)$apart)?$country$apart\\d?|\\d{0,2})$apart"
                .$digits($library->getNationalSignificantNumber($parsed)).'(?!\d)';
        } catch (NumberParseException) {
            return preg_quote($e164, '~');
        }
    }

    private static function known(PhoneNumberUtil $library, Parsed $parsed, string $e164, string $written, string $country): PhoneNumber
    {
        if (! $library->isPossibleNumber($parsed)) {
            throw NotANumber::because('length', $written, $country);
        }

        $home = $library->getRegionCodeForNumber($parsed)
            ?? $library->getRegionCodeForCountryCode($parsed->getCountryCode() ?? 0);
        $kind = match ($library->getNumberType($parsed)) {
            PhoneNumberType::MOBILE => NumberKind::Mobile,
            PhoneNumberType::FIXED_LINE => NumberKind::Landline,
            PhoneNumberType::FIXED_LINE_OR_MOBILE => NumberKind::Either,
            PhoneNumberType::UNKNOWN => NumberKind::Unknown,
            default => NumberKind::Other,
        };

        return new PhoneNumber($e164, $home, $kind, self::zones($parsed, $home));
    }

    /** @return non-empty-list<string> */
    private static function zones(Parsed $parsed, string $country): array
    {
        $zones = array_values(array_filter(
            PhoneNumberToTimeZonesMapper::getInstance()->getTimeZonesForNumber($parsed),
            fn (string $zone): bool => $zone !== PhoneNumberToTimeZonesMapper::UNKNOWN_TIMEZONE,
        ));

        if ($zones === [] && preg_match('/^[A-Z]{2}$/', $country) === 1) {
            $zones = \DateTimeZone::listIdentifiers(\DateTimeZone::PER_COUNTRY, $country);
        }

        return $zones === [] ? ['UTC'] : $zones;
    }

    /** Awkward exports: "(0)" behind a country code, "0044", an apostrophe against spreadsheets, no-break spaces. */
    private static function tidy(string $written): string
    {
        $text = trim(
            preg_replace('/[\s\x{00A0}\x{202F}\x{200B}-\x{200F}\x{202A}-\x{202E}\x{2060}-\x{2069}\x{FEFF}]+/u', ' ', $written) ?? '',
            " '\"",
        );

        return preg_replace('/^(\+|00)(\d{1,3})[\s.\-]*\(0\)/', '$1$2', $text) ?? $text;
    }
}
