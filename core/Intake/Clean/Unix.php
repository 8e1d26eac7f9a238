<?php

declare(strict_types=1);

namespace Linnet\Core\Intake\Clean;

use Linnet\Core\Document\Doc;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Record\Place;
use Linnet\Core\Time\Zone;

/** A count from the beginning of 1970, UTC (POSIX time), to a date and time. */
final readonly class Unix implements Clean
{
    private function __construct(private UnixUnit $unit)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('do', 'unit');

        return new self($doc->choice('unit', UnixUnit::class));
    }

    public function apply(string|int|float|bool $value, string $path, Place $place): string
    {
        $seconds = is_numeric($value) ? (float) $value / $this->unit->perSecond() : -1.0;
        if ($seconds < 0 || $seconds > 4_102_444_800) {
            throw Refused::value('not_unix', $path, $value);
        }

        return (new \DateTimeImmutable('@0'))->setTimestamp((int) $seconds)->setTimezone(Zone::utc())->format('Y-m-d\TH:i:s\Z');
    }

    public function toDocument(): array
    {
        return ['do' => 'unix', 'unit' => $this->unit->value];
    }
}
