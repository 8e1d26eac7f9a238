<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Time\TimeOfDay;

/** A wait until the next time clocks show a time of day. */
final readonly class WaitUntil implements Step
{
    /** @param  bool  $theirs by the person's clock; otherwise by the business's */
    public function __construct(public string $id, public TimeOfDay $time, public bool $theirs)
    {
    }

    public static function read(string $id, Doc $until): self
    {
        $until->allow('time', 'clock');
        $time = TimeOfDay::parse($until->text('time', 5));
        if ($time === null || $time->minutes === 1440) {
            throw Unreadable::at("$until->path.time", 'time_expected');
        }

        return new self($id, $time, $until->oneOf('clock', ['theirs' => fn (): bool => true, 'ours' => fn (): bool => false]));
    }

    public function id(): string
    {
        return $this->id;
    }

    /** The first moment at or after another at which clocks in the zone show the time. */
    public function after(\DateTimeImmutable $start, \DateTimeZone $zone): \DateTimeImmutable
    {
        $day = $start->setTimezone($zone);
        $today = $this->time->on($day->format('Y-m-d'), $zone);

        return $today >= $start ? $today : $this->time->on($day->setTime(12, 0)->modify('+1 day')->format('Y-m-d'), $zone);
    }

    public function toDocument(): array
    {
        return ['id' => $this->id, 'do' => 'wait', 'until' => ['time' => (string) $this->time, 'clock' => $this->theirs ? 'theirs' : 'ours']];
    }
}
