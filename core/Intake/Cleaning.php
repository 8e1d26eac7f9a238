<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\Moment;

/** How a value as it came is made into one Linnet keeps. */
enum Cleaning: string
{
    case Text = 'text';
    /** To E.164. */
    case Phone = 'phone';
    case Number = 'number';
    /** Seconds since 1970, UTC. */
    case UnixSeconds = 'unix_seconds';
    case UnixMilliseconds = 'unix_milliseconds';
    /** ISO 8601 with an offset. */
    case Iso = 'iso_date_time';

    /**
     * @param  string  $country  that numbers without a country code belong to
     * @return string|int|float|null null where nothing stands
     *
     * @throws Refused if something else stands there
     */
    public function clean(mixed $value, string $path, string $country): string|int|float|null
    {
        if ($value === null || (is_string($value) && trim($value) === '')) {
            return null;
        }
        if (! is_scalar($value) || is_bool($value)) {
            throw Refused::because('not_a_value', ['path' => $path]);
        }
        $written = is_string($value) && ! mb_check_encoding($value, 'UTF-8') ? throw Refused::because('not_utf8', ['path' => $path]) : trim((string) $value);

        return match ($this) {
            self::Text => mb_substr($written, 0, 2000, 'UTF-8'),
            self::Phone => self::phone($written, $path, $country),
            self::Number => is_numeric($written) ? $written + 0 : throw self::refusal('not_a_number', $path, $written),
            self::UnixSeconds, self::UnixMilliseconds => self::unix($written, $this === self::UnixMilliseconds ? 1000 : 1, $path),
            self::Iso => self::instant((Moment::parse($written) ?? throw self::refusal('not_a_date', $path, $written))->at),
        };
    }

    private static function phone(string $written, string $path, string $country): string
    {
        try {
            return Numbers::read($written, $country)->e164;
        } catch (NotANumber) {
            throw self::refusal('not_a_phone', $path, $written);
        }
    }

    private static function unix(string $written, int $perSecond, string $path): string
    {
        $seconds = is_numeric($written) ? (float) $written / $perSecond : -1.0;
        if ($seconds < 0 || $seconds > 4_102_444_800) {
            throw self::refusal('not_unix', $path, $written);
        }

        return self::instant((new \DateTimeImmutable('@0'))->setTimestamp((int) $seconds));
    }

    private static function instant(\DateTimeImmutable $at): string
    {
        return $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z');
    }

    private static function refusal(string $code, string $path, string $written): Refused
    {
        return Refused::because($code, ['path' => $path, 'written' => mb_substr($written, 0, 80, 'UTF-8')]);
    }
}
