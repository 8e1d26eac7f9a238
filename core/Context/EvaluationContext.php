<?php

declare(strict_types=1);

namespace Linnet\Core\Context;

use Linnet\Core\Record\Facts;
use Linnet\Core\Record\Standing;
use Linnet\Core\Rule\Audience;
use Linnet\Core\Rule\RuleContext;
use Linnet\Core\Time\WeeklyHours;
use Linnet\Core\Time\WorkingDays;

/** Everything a decision may look at, as it is at one moment. */
final readonly class EvaluationContext extends RuleContext
{
    /**
     * @param  array<string, string>  $labels
     * @param  array<string, string>  $says
     * @param  array<string, list<Facts>>  $related
     * @param  array<string, \DateTimeImmutable>  $lastTexts
     * @param  array<string, Audience>  $audiences
     * @param  array<string, DeliveryStatus>  $statuses  what became of the run's texts, by name
     * @param  list<Reply>  $replies  the texts that were put to the run's open question, the oldest first
     */
    public function __construct(
        \DateTimeImmutable $now,
        Facts $facts,
        string $who,
        string $zone,
        string $businessZone,
        WeeklyHours $opening,
        bool $optedOut = false,
        ?\DateTimeImmutable $lastReplyAt = null,
        ?\DateTimeImmutable $runBeganAt = null,
        array $labels = [],
        array $says = [],
        Standing $standing = new Standing,
        array $related = [],
        array $lastTexts = [],
        string $ruleId = '',
        WorkingDays $workingDays = new WorkingDays,
        bool $leapToMarch = false,
        array $audiences = [],
        public array $statuses = [],
        public array $replies = [],
    ) {
        parent::__construct(
            $now, $facts, $who, $zone, $businessZone, $opening, $optedOut, $lastReplyAt, $runBeganAt, $labels, $says, $standing, $related,
            $lastTexts, $ruleId, $workingDays, $leapToMarch, $audiences,
        );
    }

    /** @param  array<string, DeliveryStatus>  $statuses */
    public function later(\DateTimeImmutable $now, array $statuses = []): self
    {
        return $statuses === [] && $now == $this->now
            ? $this
            : $this->with(['now' => $now, 'statuses' => [...$this->statuses, ...$statuses]]);
    }

    public function since(\DateTimeImmutable $began): self
    {
        return $this->runBeganAt == $began ? $this : $this->with(['runBeganAt' => $began]);
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
