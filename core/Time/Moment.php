<?php

declare(strict_types=1);

namespace Linnet\Core\Time;

use Linnet\Core\Document\Doc;

/** A date and time as a field holds it: an instant, and the zone of the place where it happens, if it happens at a place. */
final readonly class Moment
{
    public function __construct(public \DateTimeImmutable $at, public ?string $zone = null)
    {
    }

    /** ISO 8601 with an offset, such as 2026-03-14T10:00:00+00:00; null for anything else. */
    public static function parse(string $written): ?self
    {
        $written = trim($written);
        if (preg_match('/^(\d{4}-\d\d-\d\d[T ]\d\d:\d\d(?::\d\d(?:\.\d{1,6})?)?)(Z|[+-]\d\d:?\d\d)$/', $written, $parts) !== 1) {
            return null;
        }
        try {
            // Nearly all are kept in UTC: read as such they need no second look at what zone that is.
            return $parts[2] === 'Z' || $parts[2] === '+00:00'
                ? new self(new \DateTimeImmutable($parts[1], Zone::utc()))
                : new self((new \DateTimeImmutable($written))->setTimezone(Zone::utc()));
        } catch (\Exception) {
            return null;
        }
    }

    /** The instant under a key, in ISO 8601 with its offset. */
    public static function read(Doc $doc, string $key): \DateTimeImmutable
    {
        return $doc
            ->get($key)
            ->self(fn (mixed $value): ?\DateTimeImmutable => is_string($value) ? self::parse($value)?->at : null, 'moment_expected');
    }

    public function zone(): ?\DateTimeZone
    {
        return $this->zone === null ? null : Zone::get($this->zone);
    }
}
