<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Record\Facts;
use Linnet\Core\Time\WeeklyHours;
use Linnet\Core\Time\Zone;

/** Everything a decision may look at, as it is at one moment. */
final readonly class Situation
{
    /**
     * @param  string  $who  what to call the person in a sentence
     * @param  string  $zone  the person's IANA zone, for their time of day
     * @param  string  $businessZone  the business's
     * @param  WeeklyHours  $opening  when the business is open, by its own zone
     * @param  \DateTimeImmutable|null  $lastReplyAt  when the person last texted
     * @param  array<string, TextFate>  $fates  what became of the run's texts, by name
     * @param  array<string, string>  $labels  what a field is called on screen, by path
     * @param  array<string, string>  $says  how a value is said, by path, where not as it is kept
     */
    public function __construct(
        public \DateTimeImmutable $now,
        public Facts $facts,
        public string $who,
        public string $zone,
        public string $businessZone,
        public WeeklyHours $opening,
        public bool $optedOut = false,
        public ?\DateTimeImmutable $lastReplyAt = null,
        public ?\DateTimeImmutable $runBeganAt = null,
        public array $fates = [],
        public array $labels = [],
        public array $says = [],
    ) {
    }

    public function hasReplied(): bool
    {
        return $this->lastReplyAt !== null && $this->runBeganAt !== null && $this->lastReplyAt > $this->runBeganAt;
    }

    public function isOpen(): bool
    {
        return $this->opening->isOpen($this->now, Zone::get($this->businessZone));
    }

    public function label(string $path): string
    {
        return $this->labels[$path] ?? str_replace(['_', '.'], ' ', $path);
    }

    /** @param  array<string, TextFate>  $fates */
    public function later(\DateTimeImmutable $now, array $fates = []): self
    {
        return new self($now, $this->facts, $this->who, $this->zone, $this->businessZone, $this->opening, $this->optedOut,
            $this->lastReplyAt, $this->runBeganAt, [...$this->fates, ...$fates], $this->labels, $this->says);
    }

    public function since(\DateTimeImmutable $began): self
    {
        return new self($this->now, $this->facts, $this->who, $this->zone, $this->businessZone, $this->opening, $this->optedOut,
            $this->lastReplyAt, $began, $this->fates, $this->labels, $this->says);
    }

    /** The same, had the person not written: how a rehearsal begins. */
    public function unanswered(): self
    {
        return new self($this->now, $this->facts, $this->who, $this->zone, $this->businessZone, $this->opening, $this->optedOut,
            null, $this->runBeganAt, $this->fates, $this->labels, $this->says);
    }
}
