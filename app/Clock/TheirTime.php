<?php

declare(strict_types=1);

namespace App\Clock;

/** The clock where somebody is, beside the one of the business. */
final readonly class TheirTime
{
    /** Further ahead nobody remembers what was to come. */
    private const LONGEST = '+1 year';

    public function __construct(public string $zone, public \DateTimeImmutable $now)
    {
    }

    /** A time typed by their clock, as YYYY-MM-DDTHH:MM. One that a change of clocks leaves out moves forward by the gap. */
    public function moment(string $typed): \DateTimeImmutable
    {
        return (new \DateTimeImmutable($typed, new \DateTimeZone($this->zone)))->setTimezone(new \DateTimeZone('UTC'));
    }

    /** Why nothing can be put off until then; null where it can. */
    public function refuses(\DateTimeImmutable $at, string $ours): ?string
    {
        $where = $this->zone === $ours ? '' : ' in '.TimeFormatter::place($this->zone);

        return match (true) {
            $at <= $this->now => 'That is past. It is '.TimeFormatter::momentIn($this->now, $this->zone)."$where now.",
            $at > $this->now->modify(self::LONGEST) => 'Choose a moment within a year.',
            default => null,
        };
    }

    /** As a field of a form holds it: the next full hour of theirs. */
    public function nextHour(): string
    {
        return $this->now->setTimezone(new \DateTimeZone($this->zone))->modify('+1 hour')->format('Y-m-d\TH:00');
    }

    /** @return list<array{string, string}> moments to put something off until: what each is called, and as a field of a form holds it */
    public function later(): array
    {
        $here = $this->now->setTimezone(new \DateTimeZone($this->zone));
        $at = fn (\DateTimeImmutable $moment): string => $moment->format('Y-m-d\TH:i');

        return [
            ['In an hour', $at($here->modify('+1 hour'))],
            ['Tomorrow at 9', $at($here->modify('+1 day')->setTime(9, 0))],
            ['Monday at 9', $at($here->modify('next monday')->setTime(9, 0))],
        ];
    }

    /** "12:00 in Toronto is Tue 3 March 17:00 here." Nothing where their clock is ours. */
    public function says(\DateTimeImmutable $at, string $ours): string
    {
        return $this->zone === $ours
            ? ''
            : $at->setTimezone(new \DateTimeZone($this->zone))->format('H:i').' in '.TimeFormatter::place($this->zone).' is '
                .TimeFormatter::momentIn($at, $ours).' here.';
    }
}
