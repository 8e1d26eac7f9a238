<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\Document\Nearest;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\Field;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Place;
use Linnet\Core\Time\Day;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\Zone;

/** Makes a value into the one form its field keeps. Whatever way it came in, it passes here. */
final class FieldNormalizer
{
    private const TEXT = 2000;

    private const LONG_TEXT = 20_000;

    /**
     * Dates as YYYY-MM-DD, moments as ISO 8601 in UTC, numbers as E.164, money as a number in the account's currency, choices as their
     * own words. A reference (staff, person, record) stays the words it was given in, for the shell to look up.
     *
     * @param  string  $path  where it stood, for the reason
     *
     * @throws Refused if it cannot be one of the field's values
     */
    public static function into(Field $field, mixed $value, Place $place, string $path): string|int|float|bool|null
    {
        if ($value === null || (is_string($value) && trim($value) === '') || $value === []) {
            return null;
        }
        if (! is_scalar($value)) {
            throw Refused::because('not_a_value', ['path' => $path]);
        }
        if (is_string($value) && ! mb_check_encoding($value, 'UTF-8')) {
            throw Refused::because('not_utf8', ['path' => $path]);
        }
        $written = is_bool($value) ? ($value ? 'yes' : 'no') : trim((string) $value);

        return match ($field->kind) {
            FieldKind::Text => self::text($written, self::TEXT, $path),
            FieldKind::LongText => self::text($written, self::LONG_TEXT, $path),
            FieldKind::Number, FieldKind::Money => self::number($value, $written, $field->kind, $path),
            FieldKind::Date => self::date($written, $place, $path),
            FieldKind::DateTime => self::moment($written, $place, $path),
            FieldKind::Choice => self::choice($written, $field, $path),
            FieldKind::YesNo => self::yesNo($written) ?? throw Refused::value('not_yes_no', $path, $written),
            FieldKind::Phone, FieldKind::Line => self::phone($written, $place, $path),
            FieldKind::Email => self::email($written) ?? throw Refused::value('not_an_email', $path, $written),
            FieldKind::Link => self::link($written) ?? throw Refused::value('not_a_link', $path, $written),
            FieldKind::Staff, FieldKind::Person, FieldKind::Record => mb_substr($written, 0, 190, 'UTF-8'),
        };
    }

    public static function yesNo(string $written): ?bool
    {
        return match (mb_strtolower($written, 'UTF-8')) {
            'yes', 'y', 'true', 't', '1', 'on', 'x', '✓' => true,
            'no', 'n', 'false', 'f', '0', 'off' => false,
            default => null,
        };
    }

    /** A number that a spreadsheet program has cut to some digits and a power of ten. */
    public static function isRounded(string $written): bool
    {
        return preg_match('/^\d+([.,]\d+)?[eE]\+?\d+$/', $written) === 1;
    }

    private static function text(string $written, int $most, string $path): string
    {
        return mb_strlen($written, 'UTF-8') <= $most ? $written : throw Refused::because('too_long', ['path' => $path, 'most' => $most]);
    }

    private static function number(mixed $value, string $written, FieldKind $kind, string $path): int|float
    {
        if (is_int($value)) {
            return $value;
        }
        $number = is_float($value) ? $value : WrittenNumber::parse($written, '.');
        if ($number === null || ! is_finite($number) || abs($number) > 1e15) {
            throw Refused::value('not_a_number', $path, $written);
        }
        $number = round($number, $kind === FieldKind::Money ? 4 : 9);

        return floor($number) === $number ? (int) $number : $number;
    }

    private static function date(string $written, Place $place, string $path): string
    {
        $read = WrittenDate::parse($written, DateOrder::YearMonthDay, Zone::get($place->zone));

        return match (true) {
            $read instanceof Day => $read->date,
            $read instanceof Moment => $read->at->setTimezone(Zone::get($place->zone))->format('Y-m-d'),
            default => throw Refused::value('not_a_date', $path, $written),
        };
    }

    private static function moment(string $written, Place $place, string $path): string
    {
        $read = WrittenDate::parse($written, DateOrder::YearMonthDay, Zone::get($place->zone));

        return match (true) {
            $read instanceof Moment => $read->at->format('Y-m-d\TH:i:s\Z'),
            $read instanceof Day => throw Refused::value('no_time', $path, $written),
            default => throw Refused::value('not_a_moment', $path, $written),
        };
    }

    private static function choice(string $written, Field $field, string $path): string
    {
        foreach ($field->options as $option) {
            if (mb_strtolower($option, 'UTF-8') === mb_strtolower($written, 'UTF-8')) {
                return $option;
            }
        }

        throw Refused::value('not_a_choice', $path, $written, [
            'field' => $field->name,
            'known' => $field->options,
            'nearest' => Nearest::to($written, $field->options) ?? '',
        ]);
    }

    private static function phone(string $written, Place $place, string $path): string
    {
        if (self::isRounded($written)) {
            throw Refused::value('rounded_phone', $path, $written);
        }
        try {
            return Numbers::read($written, $place->country)->e164;
        } catch (NotANumber) {
            throw Refused::value('not_a_phone', $path, $written);
        }
    }

    public static function email(string $written): ?string
    {
        $email = mb_strtolower(trim((string) preg_replace('/^mailto:/i', '', $written), " <>\t"), 'UTF-8');

        return strlen($email) <= 190 && filter_var($email, FILTER_VALIDATE_EMAIL, FILTER_FLAG_EMAIL_UNICODE) !== false ? $email : null;
    }

    private static function link(string $written): ?string
    {
        $link = preg_match('#^[a-z][a-z0-9+.-]*:#i', $written) === 1 ? $written : "https://$written";
        $scheme = parse_url($link, PHP_URL_SCHEME);

        return is_string($scheme) &&
            in_array(strtolower($scheme), ['http', 'https'], true) &&
            strlen($link) <= 2000 &&
            filter_var($link, FILTER_VALIDATE_URL) !== false
            ? $link
            : null;
    }
}
