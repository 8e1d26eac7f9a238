<?php

declare(strict_types=1);

namespace Linnet\Core\Context;

use Linnet\Core\Record\Facts;
use Linnet\Core\Time\Clocks;
use Linnet\Core\Time\WeeklyHours;
use Linnet\Core\Time\WorkingDays;
use Linnet\Core\Time\Zone;

/** Everything a decision may look at, as it is at one moment. */
final readonly class EvaluationContext
{
    /**
     * @param  string  $who  what to call the person in a sentence
     * @param  string  $zone  the person's IANA zone, for their time of day
     * @param  string  $businessZone  the business's
     * @param  WeeklyHours  $opening  when the business is open, by its own zone
     * @param  \DateTimeImmutable|null  $lastReplyAt  when the person last texted
     * @param  array<string, DeliveryStatus>  $statuses  what became of the run's texts, by name
     * @param  array<string, string>  $labels  what a field is called on screen, by path
     * @param  array<string, string>  $says  how a value is said, by path, where not as it is kept
     * @param  array<string, list<Facts>>  $related  the person's records as facts, by type, the newest first
     * @param  array<string, \DateTimeImmutable>  $lastTexts  when the person last had a rule's text, by the rule's id
     * @param  list<Reply>  $replies  the texts that were put to the run's open question, the oldest first
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
        public array $statuses = [],
        public array $labels = [],
        public array $says = [],
        public Standing $standing = new Standing,
        public array $related = [],
        public array $lastTexts = [],
        public string $ruleId = '',
        public array $replies = [],
        public WorkingDays $workingDays = new WorkingDays,
        public bool $leapToMarch = false,
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

    public function clocks(): Clocks
    {
        return new Clocks(Zone::get($this->zone), Zone::get($this->businessZone), $this->workingDays, $this->leapToMarch);
    }

    /** The newest moment at which the person had an automatic text, of one rule or of any. */
    public function lastTextAt(?string $ruleId): ?\DateTimeImmutable
    {
        if ($ruleId !== null) {
            return $this->lastTexts[$ruleId] ?? null;
        }

        return $this->lastTexts === [] ? null : max($this->lastTexts);
    }

    /** @param  array<string, DeliveryStatus>  $statuses */
    public function later(\DateTimeImmutable $now, array $statuses = []): self
    {
        return $this->with(['now' => $now, 'statuses' => [...$this->statuses, ...$statuses]]);
    }

    public function since(\DateTimeImmutable $began): self
    {
        return $this->with(['runBeganAt' => $began]);
    }

    /** The same, with one thing at the top of its facts known otherwise. */
    public function knowing(string $name, mixed $value): self
    {
        return $this->with(['facts' => $this->facts->with($name, $value)]);
    }

    /** As seen about another record: its facts in the place of those of its type. */
    public function about(string $type, Facts $record): self
    {
        return $this->with(['facts' => $this->facts->with($type, $record->tree())]);
    }

    /** The same, had the person not written: how a rehearsal begins. */
    public function unanswered(): self
    {
        return $this->with(['lastReplyAt' => null, 'replies' => []]);
    }

    /** @param  array<string, mixed>  $changed */
    public function with(array $changed): self
    {
        /** @phpstan-ignore argument.type */
        return new self(...[...get_object_vars($this), ...$changed]);
    }
}
