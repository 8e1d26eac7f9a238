<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Document\Doc;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\RuleContext;
use Linnet\Core\Time\Clocks;
use Linnet\Core\Time\Day;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\Offset;
use Linnet\Core\Time\Zone;

/** A moment that hangs on a date field of a record or a person, once or every year. */
final readonly class DateReached implements Trigger
{
    use ByChange;

    public function __construct(public string $type, public string $field, public Offset $offset, public bool $eachYear)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('on', 'type', 'field', 'offset', 'each_year');
        /** @var array{type: string, field: string, offset: Offset, eachYear: bool} $read */
        $read = $doc->gather([
            'type' => fn (): string => $doc->name('type'),
            'field' => fn (): string => $doc->name('field'),
            'offset' => fn (): Offset => Offset::read($doc->object('offset')),
            'eachYear' => fn (): bool => $doc->has('each_year') && $doc->yesNo('each_year'),
        ]);

        return new self(...$read);
    }

    public function meets(Change\Change $change, string $ruleId): bool
    {
        return $change instanceof Change\DateCame && $change->ruleId === $ruleId;
    }

    public function isAwaited(): bool
    {
        return true;
    }

    /** A moment that is past counts as new only where its date is, or whom it is about. */
    public function isRevisedBy(Change\Change $change, RuleContext $context): bool
    {
        $added =
            $change instanceof Change\RecordAdded ||
            $change instanceof Change\PersonAdded ||
            ($change instanceof Change\RecordChanged && $change->isPassedOn);
        $changed = $change instanceof Change\RecordChanged || $change instanceof Change\PersonChanged ? $change->to : null;
        if ($added || $changed === null) {
            return $added;
        }
        $next = $this->next($context, $context->now);

        return array_key_exists($this->field, $changed) ||
            ($next !== null && $next[0] > $context->now && $this->missed($context, $context->now) === null);
    }

    public function moved(Change\Change $change, RuleContext $context, ?\DateTimeImmutable $due): ?Reason
    {
        $from = $change instanceof Change\RecordChanged || $change instanceof Change\PersonChanged ? $change->from : [];
        if (! is_string($before = $from[$this->field] ?? null)) {
            return null;
        }
        $is = $this->anchor($context);
        $moment = Moment::parse($before);
        $was = $moment === null ? Day::parse($before) : new Moment($moment->at, $is instanceof Moment ? $is->zone : null);
        $old = $was === null ? null : $this->nextFor($was, $context, $context->now)[0] ?? null;
        if ($old === null || $old <= $context->now || $old == $due) {
            return null;
        }
        $with = ['from' => Reason::moment($old, $context->businessZone)];

        return match (true) {
            $is === null => new Reason('start.date_gone', $with),
            $due === null => new Reason('start.date_past', $with),
            default => new Reason('start.date_moved', $with + ['to' => Reason::moment($due, $context->businessZone)]),
        };
    }

    public function nextLook(RuleContext $context, \DateTimeImmutable $lastActivity): ?\DateTimeImmutable
    {
        $now = $context->now;
        // Past already: it still counts for what is yet to come, and what was to follow long ago stays undone.
        if ($this->missed($context, $now) !== null) {
            return $now;
        }
        $moment = $this->next($context, $now)[0] ?? null;

        return $moment > $now ? $moment : null;
    }

    public function resolveTimer(
        string $ruleId,
        RuleContext $context,
        \DateTimeImmutable $dueAt,
        \DateTimeImmutable $lastActivity,
    ): ResolvedTimer {
        $next = $this->next($context, $dueAt->modify('-1 second'));
        if ($next === null || $next[0] > $context->now) {
            $after = $next[0] ?? null;
            // Its date became known after its moment.
            $next = $this->missed($context, $dueAt);
            if ($next === null) {
                return new ResolvedTimer(null, $after);
            }
        }
        [$moment, $anchor] = $next;

        return new ResolvedTimer(
            new Change\DateCame($ruleId, $moment, $anchor, $moment < $dueAt),
            $this->eachYear ? $this->next($context, $dueAt)[0] ?? null : null,
        );
    }

    public function firstMoment(RuleContext $context): ?array
    {
        return $this->next($context, $context->now);
    }

    public function lapsed(\DateTimeImmutable $hangsOn, RuleContext $context): ?Reason
    {
        if ($this->eachYear) {
            return null;
        }
        $next = $this->next($context, $context->now);

        return match (true) {
            $next === null => new Reason('stop.date_gone'),
            // What is over already starts nothing anew.
            max($next) <= $context->now => null,
            $next[1]->getTimestamp() !== $hangsOn->getTimestamp() => new Reason('stop.date_moved', [
                'to' => Reason::moment($next[1], $context->businessZone),
            ]),
            default => null,
        };
    }

    public function foresight(): Foresight
    {
        return Foresight::Dates;
    }

    public function field(): string
    {
        return RecordType::path($this->type, $this->field);
    }

    public function offset(): Offset
    {
        return $this->offset;
    }

    public function type(): string
    {
        return $this->type;
    }

    /** The date it hangs on as things are now; null where there is none. */
    public function anchor(RuleContext $context): Moment|Day|null
    {
        $value = $context->facts->at("$this->type.$this->field");

        return match (true) {
            $value instanceof Moment, $value instanceof Day => $value,
            is_string($value) => Moment::parse($value) ?? Day::parse($value),
            default => null,
        };
    }

    /**
     * The moment to wait for next: later than another, or the only one there is.
     *
     * @return array{\DateTimeImmutable, \DateTimeImmutable}|null the moment, and the date it hangs on as an instant
     */
    public function next(RuleContext $context, \DateTimeImmutable $after): ?array
    {
        $anchor = $this->anchor($context);

        return $anchor === null ? null : $this->nextFor($anchor, $context, $after);
    }

    /**
     * The same for a date it may hang on, such as the one it hung on before.
     *
     * @return array{\DateTimeImmutable, \DateTimeImmutable}|null
     */
    public function nextFor(Moment|Day $anchor, RuleContext $context, \DateTimeImmutable $after): ?array
    {
        $clocks = $context->clocks();
        if (! $this->eachYear) {
            return [$this->offset->moment($anchor, $clocks), self::instant($anchor, $clocks, $this->offset->theirs)];
        }
        $zone = $anchor instanceof Moment ? $anchor->zone() ?? $clocks->zone($this->offset->theirs) : $clocks->zone($this->offset->theirs);
        // An offset of some weeks may reach into the year before or after.
        for ($year = (int) $after->setTimezone($zone)->format('Y') - 1, $last = $year + 12; $year <= $last; $year++) {
            $inYear = self::inYear($anchor, $year, $zone, $clocks->leapToMarch);
            $moment = $this->offset->moment($inYear, $clocks);
            if ($moment > $after) {
                return [$moment, self::instant($inYear, $clocks, $this->offset->theirs)];
            }
        }

        return null;
    }

    /**
     * The one of its moments that is past while the date it hangs on is yet to come: it may still make sense.
     *
     * @return array{\DateTimeImmutable, \DateTimeImmutable}|null the moment, and the date as an instant
     */
    public function missed(RuleContext $context, \DateTimeImmutable $now): ?array
    {
        $anchor = $this->anchor($context);
        if ($anchor === null) {
            return null;
        }
        $clocks = $context->clocks();
        if (! $this->eachYear) {
            $only = [$this->offset->moment($anchor, $clocks), self::instant($anchor, $clocks, $this->offset->theirs)];

            return $only[0] <= $now && $only[1] > $now ? $only : null;
        }
        $zone = $anchor instanceof Moment ? $anchor->zone() ?? $clocks->zone($this->offset->theirs) : $clocks->zone($this->offset->theirs);
        for ($year = (int) $now->setTimezone($zone)->format('Y'), $last = $year + 10; $year <= $last; $year++) {
            $inYear = self::inYear($anchor, $year, $zone, $clocks->leapToMarch);
            $moment = $this->offset->moment($inYear, $clocks);
            $date = self::instant($inYear, $clocks, $this->offset->theirs);
            if ($moment > $now) {
                return null;
            }
            if ($date > $now) {
                return [$moment, $date];
            }
        }

        return null;
    }

    public function toDocument(): array
    {
        return ['on' => 'date_reached', 'type' => $this->type, 'field' => $this->field, 'offset' => $this->offset->toDocument()]
            + ($this->eachYear ? ['each_year' => true] : []);
    }

    private static function instant(Moment|Day $date, Clocks $clocks, bool $theirs): \DateTimeImmutable
    {
        return $date instanceof Moment ? $date->at : new \DateTimeImmutable($date->date, $clocks->zone($theirs));
    }

    /** The same day of another year; 29 February falls on the 28th in a common year, or on 1 March. */
    private static function inYear(Moment|Day $date, int $year, \DateTimeZone $zone, bool $leapToMarch): Moment|Day
    {
        $local = $date instanceof Moment ? $date->at->setTimezone($zone) : new \DateTimeImmutable($date->date, $zone);
        $monthDay = $local->format('m-d');
        if ($monthDay === '02-29' && ! checkdate(2, 29, $year)) {
            $monthDay = $leapToMarch ? '03-01' : '02-28';
        }
        if ($date instanceof Day) {
            return Day::parse(sprintf('%04d-%s', $year, $monthDay)) ?? throw new \LogicException('a day of a calendar');
        }
        [$month, $day] = array_map(intval(...), explode('-', $monthDay));

        return new Moment($local->setDate($year, $month, $day)->setTimezone(Zone::utc()), $date->zone);
    }
}
