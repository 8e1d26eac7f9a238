<?php

declare(strict_types=1);

namespace App\Pages;

use App\Clock\TheirTime;
use App\Clock\TimeFormatter;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Business;
use App\Models\Line as LineRow;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\Person;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\LineChoice;
use Linnet\Core\Record\Person as Core;
use Linnet\Core\Record\PersonNumber;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Time\Zone;
use Psr\Clock\ClockInterface;

/** Somebody is written to by hand: from which line, to which of their numbers, and when in their day. */
final class WritingPage
{
    /** What can be done where the line is closed or busy. */
    public const EVEN_SO = ' Choose another moment, or tick that it goes even so.';

    public Person $person;

    /** At the number that is meant. */
    public Receiver $receiver;

    /** @var list<Line> */
    public array $lines;

    /** Where nothing is said of it. */
    public ?Line $line;

    public TheirTime $time;

    /** @var list<string> those of their numbers that said stop */
    public array $stopped = [];

    /** @var list<string> by which they live, at each of their numbers */
    private array $zones = [];

    private Core $known;

    public function __construct(private readonly DatabaseSideEffects $sideEffects, private readonly ClockInterface $clock)
    {
    }

    /**
     * @param  int|null  $lineId  the line that is meant; null for the one that suggests itself
     * @param  string|null  $number  the number that is meant; null for the one that suggests itself
     */
    public function to(Person $person, ?int $lineId = null, ?string $number = null): self
    {
        $now = $this->clock->now();
        $unit = UnitOfWork::reading($now, $this->sideEffects);
        $this->person = $person;
        $this->stopped = $this->zones = [];
        $this->known = $unit->reader->person($person->id) ?? throw new \LogicException('it was just loaded');
        $this->lines = array_values([...$unit->reader->lines()]);
        $meant = array_values(array_filter($this->lines, fn (Line $line): bool => $line->id === $lineId))[0] ?? null;
        $country = $this->known->numbers[0]->country ?? Business::current()->country;
        $this->line = $meant ?? LineChoice::byHand($this->lines, $this->known->line, $unit->texts->lastLine($person->id, []), $country);
        $to = $this->known->number($number) ?? $this->known->numberByHand($this->lastUsed());
        $this->receiver = $unit->contexts->stillReceiver($this->known, $to?->e164);
        $this->time = new TheirTime($this->receiver->zone, $now);
        foreach ($this->known->numbers as $one) {
            $at = $unit->contexts->stillReceiver($this->known, $one->e164);
            $this->zones[] = $at->zone;
            $at->optedOut && $this->stopped[] = $one->e164;
        }

        return $this;
    }

    /** @return list<PersonNumber> the preferred one first */
    public function numbers(): array
    {
        return $this->known->numbers;
    }

    /** A moment of their day is the same one at each of their numbers. */
    public function isOfOneZone(): bool
    {
        return count(array_unique($this->zones)) < 2;
    }

    /** None of their numbers may be written to. */
    public function isStopped(): bool
    {
        return $this->stopped !== [] && count($this->stopped) === count($this->known->numbers);
    }

    /** Why a line does not send at a moment, as a sentence; null where it does. A line has its own hours. */
    public static function closed(LineRow $line, \DateTimeImmutable $at, string $when = 'then'): ?string
    {
        $zone = Business::current()->zone;
        $opens = $line->read()->opens($at, Zone::get($zone));

        return match (true) {
            $opens === null => "The {$line->name} has no hour at which it sends.",
            $opens > $at => "The {$line->name} is closed $when, until ".TimeFormatter::momentIn($opens, $zone).'.',
            default => null,
        };
    }

    /** Why it would wait for its place in the line's order, as a sentence. */
    public static function busy(LineRow $line, \DateTimeImmutable $until): string
    {
        $when = TimeFormatter::momentIn($until, Business::current()->zone);

        return "The {$line->name} has as many texts before it as it may send, until $when.";
    }

    /** The number they last wrote from, or were last written to by hand, on the line. */
    private function lastUsed(): ?string
    {
        if ($this->line === null || count($this->known->numbers) < 2) {
            return null;
        }
        $number = Message::query()
            ->where('person_id', $this->person->id)
            ->where('line_id', $this->line->id)
            ->whereIn('origin', [MessageOrigin::Them, MessageOrigin::Staff])
            ->orderByDesc('at')
            ->orderByDesc('id')
            ->value('number');

        return is_string($number) ? $number : null;
    }
}
