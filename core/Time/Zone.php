<?php

declare(strict_types=1);

namespace Linnet\Core\Time;

/** IANA time zones by name, each built once. */
final class Zone
{
    /** @var array<string, \DateTimeZone> */
    private static array $built = [];

    /** @throws \Exception if the name is not a time zone */
    public static function get(string $name): \DateTimeZone
    {
        return self::$built[$name] ??= new \DateTimeZone($name);
    }

    public static function utc(): \DateTimeZone
    {
        return self::get('UTC');
    }

    public static function exists(string $name): bool
    {
        return in_array($name, \DateTimeZone::listIdentifiers(), true) || $name === 'UTC';
    }
}
