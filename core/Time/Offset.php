<?php

declare(strict_types=1);

namespace Linnet\Core\Time;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;

/** A moment that hangs on a date: 2 hours before it, 3 working days after it at 09:00. */
final readonly class Offset
{
    /**
     * @param  TimeOfDay|null  $at  the time of day it is pinned to
     * @param  bool  $theirs  the person's clock shows that time; otherwise the business's
     */
    private function __construct(public Span $span, public bool $before, public ?TimeOfDay $at, public bool $theirs)
    {
    }

    /** @param  Doc  $doc  {"amount", "unit", "side": before or after, "time"?, "clock"?: theirs or ours} */
    public static function read(Doc $doc): self
    {
        $doc->allow('amount', 'unit', 'side', 'time', 'clock');
        /** @var array{span: Span, before: bool, at: TimeOfDay|null, theirs: bool} $read */
        $read = $doc->gather([
            'span' => fn (): Span => Span::read($doc),
            'before' => fn (): bool => $doc->oneOf('side', ['before' => fn (): bool => true, 'after' => fn (): bool => false]),
            'at' => fn (): ?TimeOfDay => $doc->has('time') ? TimeOfDay::read($doc, 'time') : null,
            'theirs' => fn (): bool => ! $doc->has('clock') ||
                $doc->oneOf('clock', ['theirs' => fn (): bool => true, 'ours' => fn (): bool => false]),
        ]);
        if ($read['at'] !== null && in_array($read['span']->unit, [Unit::Minutes, Unit::Hours], true)) {
            throw Unreadable::at("$doc->path.time", 'time_with_hours');
        }

        return new self(...$read);
    }

    /**
     * Days and longer keep the clock on the wall: of the place where it happens, if it happens at a place, else of the clock named.
     * A day with no time counts from the midnight that begins it.
     */
    public function moment(Moment|Day $anchor, Clocks $clocks): \DateTimeImmutable
    {
        $pinnedTo = $clocks->zone($this->theirs);
        $zone = $anchor instanceof Moment ? $anchor->zone() ?? $pinnedTo : $pinnedTo;
        $start = $anchor instanceof Moment ? $anchor->at : new \DateTimeImmutable($anchor->date, $zone);
        $shifted = $this->before
            ? $this->span->before($start, $zone, $clocks->workingDays)
            : $this->span->after($start, $zone, $clocks->workingDays);

        return $this->at === null ? $shifted : $this->at->on($shifted->setTimezone($zone)->format('Y-m-d'), $pinnedTo);
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return $this->span->toDocument() + ['side' => $this->before ? 'before' : 'after']
            + ($this->at === null ? [] : ['time' => (string) $this->at])
            + ($this->theirs ? [] : ['clock' => 'ours']);
    }
}
