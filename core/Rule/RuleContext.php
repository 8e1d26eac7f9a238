<?php

declare(strict_types=1);

namespace Linnet\Core\Rule;

use Linnet\Core\Record\Facts;
use Linnet\Core\Record\Standing;
use Linnet\Core\Time\Clocks;
use Linnet\Core\Time\WeeklyHours;
use Linnet\Core\Time\WorkingDays;
use Linnet\Core\Time\Zone;

/**
 * What the triggers and conditions of a rule may look at, as it is at one moment for one person and, mostly, one record. What a run adds to
 * it (what became of its texts, the replies to its question) is known above.
 */
abstract readonly class RuleContext
{
    /**
     * @param  string  $who  what to call the person in a sentence
     * @param  string  $zone  the person's IANA zone, for their time of day
     * @param  string  $businessZone  the business's
     * @param  WeeklyHours  $opening  when the business is open, by its own zone
     * @param  \DateTimeImmutable|null  $lastReplyAt  when the person last texted
     * @param  array<string, string>  $labels  what a field is called on screen, by path
     * @param  array<string, string>  $says  how a value is said, by path, where not as it is kept
     * @param  array<string, list<Facts>>  $related  the person's records as facts, by type, the newest first
     * @param  array<string, Audience>  $audiences  those that are asked about, by name
     * @param  array<string, \DateTimeImmutable>  $lastTexts  when the person last had a rule's text, by the rule's id
     */
    protected function __construct(
        public \DateTimeImmutable $now,
        public Facts $facts,
        public string $who,
        public string $zone,
        public string $businessZone,
        public WeeklyHours $opening,
        public bool $optedOut,
        public ?\DateTimeImmutable $lastReplyAt,
        public ?\DateTimeImmutable $runBeganAt,
        public array $labels,
        public array $says,
        public Standing $standing,
        public array $related,
        public array $lastTexts,
        public string $ruleId,
        public WorkingDays $workingDays,
        public bool $leapToMarch,
        public array $audiences,
    ) {
    }

    /** As seen about another record: its facts in the place of those of its type. */
    abstract public function about(string $type, Facts $record): self;

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
}
