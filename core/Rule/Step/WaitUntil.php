<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Time\Day;
use Linnet\Core\Time\TimeOfDay;
use Linnet\Core\Time\WeeklyHours;

/** A wait until the next time clocks show a time of day, on certain days of the week or on one day if that is named. */
final readonly class WaitUntil implements Step
{
    /**
     * @param  bool  $theirs  by the person's clock; otherwise by the business's
     * @param  list<string>  $weekdays  of WeeklyHours::DAYS; any day if empty
     * @param  string|null  $day  YYYY-MM-DD; once it is past there is nothing to wait for
     */
    public function __construct(
        public string $id,
        public TimeOfDay $time,
        public bool $theirs,
        public array $weekdays = [],
        public ?string $day = null,
    ) {
    }

    public static function read(string $id, Doc $until): self
    {
        $until->allow('time', 'clock', $until->has('day') ? 'day' : 'weekdays');

        return new self(
            $id,
            TimeOfDay::read($until, 'time'),
            $until->oneOf('clock', ['theirs' => fn (): bool => true, 'ours' => fn (): bool => false]),
            $until->has('weekdays') ? $until->each('weekdays', fn (Doc $day): string => $day->self(
                fn (mixed $v): ?string => is_string($v) && in_array($v, WeeklyHours::DAYS, true) ? $v : null, 'weekday_expected',
            ), 1, 7) : [],
            $until->has('day') ? Day::read($until, 'day') : null,
        );
    }

    public function id(): string
    {
        return $this->id;
    }

    /** The first moment at or after another at which clocks in the zone show the time; on a day that is named, whenever that was. */
    public function after(\DateTimeImmutable $start, \DateTimeZone $zone): \DateTimeImmutable
    {
        if ($this->day !== null) {
            return $this->time->on($this->day, $zone);
        }
        for ($day = $start->setTimezone($zone)->setTime(12, 0), $tries = 0; $tries < 9; $tries++, $day = $day->modify('+1 day')) {
            if ($this->weekdays !== [] && ! in_array(WeeklyHours::DAYS[(int) $day->format('N') - 1], $this->weekdays, true)) {
                continue;
            }
            foreach ($this->time->everyTimeOn($day->format('Y-m-d'), $zone) as $moment) {
                if ($moment >= $start) {
                    return $moment;
                }
            }
        }

        throw new \LogicException('every weekday comes within eight days');
    }

    public function toDocument(): array
    {
        return ['id' => $this->id, 'do' => 'wait', 'until' => ['time' => (string) $this->time, 'clock' => $this->theirs ? 'theirs' : 'ours']
            + ($this->weekdays === [] ? [] : ['weekdays' => $this->weekdays])
            + ($this->day === null ? [] : ['day' => $this->day])];
    }
}
