<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Record\Change;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\Conditions;
use Linnet\Core\Time\Recurrence;
use Linnet\Core\Time\Zone;

/** A moment, once or by a recurrence (RFC 5545), at which every member of an audience gets a run. */
final readonly class CalendarReached implements Trigger
{
    use ByChange;

    /**
     * @param  string  $at  the first day and time by the business's clock, YYYY-MM-DDTHH:MM
     * @param  string|null  $recurrence  an RRULE; null for once
     * @param  string  $type  what the audience is made of: a record type, or "person"
     */
    public function __construct(public string $at, public ?string $recurrence, public string $type, public Condition $audience)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('on', 'at', 'recurrence', 'audience');
        $at = $doc->text('at', 16);
        if (
            preg_match('/^(\d{4})-(\d\d)-(\d\d)T([01]\d|2[0-3]):[0-5]\d$/D', $at, $part) !== 1 ||
            ! checkdate((int) $part[2], (int) $part[3], (int) $part[1])
        ) {
            throw Unreadable::at("$doc->path.at", 'day_and_time_expected');
        }
        $recurrence = $doc->optionalText('recurrence', 200);
        if ($recurrence !== null && Recurrence::of(new \DateTimeImmutable($at, Zone::utc()), $recurrence) === null) {
            throw Unreadable::at("$doc->path.recurrence", 'recurrence_expected', ['written' => $recurrence]);
        }
        $audience = $doc->object('audience');
        $audience->allow('of', 'condition');

        return new self($at, $recurrence, $audience->name('of'), Conditions::optional($audience, 'condition'));
    }

    public function meets(Change\Change $change, string $ruleId): bool
    {
        return $change instanceof Change\CalendarCame && $change->ruleId === $ruleId;
    }

    public function condition(): Condition
    {
        return $this->audience;
    }

    public function nextForAll(\DateTimeImmutable $after, \DateTimeZone $zone): ?\DateTimeImmutable
    {
        $first = new \DateTimeImmutable($this->at, $zone);
        if ($this->recurrence !== null) {
            return Recurrence::of($first, $this->recurrence)?->after($after);
        }

        return $first > $after ? $first->setTimezone(Zone::utc()) : null;
    }

    public function foresight(): Foresight
    {
        return Foresight::Audience;
    }

    public function type(): string
    {
        return $this->type;
    }

    public function toDocument(): array
    {
        return ['on' => 'calendar', 'at' => $this->at] + ($this->recurrence === null ? [] : ['recurrence' => $this->recurrence])
            + ['audience' => ['of' => $this->type, 'condition' => $this->audience->toDocument()]];
    }
}
