<?php

declare(strict_types=1);

namespace App\Pages;

use App\Clock\TheirTime;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Person;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\LineChoice;
use Linnet\Core\Record\Person as Core;
use Linnet\Core\Record\PersonNumber;
use Linnet\Core\Record\Receiver;
use Psr\Clock\ClockInterface;

/** Somebody is written to by hand: from which line, to which of their numbers, and when in their day. */
final class WritingPage
{
    public Person $person;

    public Receiver $receiver;

    /** @var list<Line> */
    public array $lines;

    /** Where nothing is said of it. */
    public ?Line $line;

    public TheirTime $time;

    private Core $known;

    public function __construct(private readonly DatabaseSideEffects $sideEffects, private readonly ClockInterface $clock)
    {
    }

    /** @param  int|null  $lineId  the line that is meant; null for the one that suggests itself */
    public function to(Person $person, ?int $lineId = null): self
    {
        $now = $this->clock->now();
        $unit = UnitOfWork::reading($now, $this->sideEffects);
        $this->person = $person;
        $this->known = $unit->reader->person($person->id) ?? throw new \LogicException('it was just loaded');
        $this->receiver = $unit->contexts->receiver($this->known);
        $this->time = new TheirTime($this->receiver->zone, $now);
        $this->lines = array_values([...$unit->reader->lines()]);
        $meant = array_values(array_filter($this->lines, fn (Line $line): bool => $line->id === $lineId))[0] ?? null;
        $this->line = $meant
            ?? LineChoice::byHand($this->lines, $this->known->line, $unit->texts->lastLine($person->id, []), $this->receiver->country);

        return $this;
    }

    /** @return list<PersonNumber> the preferred one first */
    public function numbers(): array
    {
        return $this->known->numbers;
    }
}
