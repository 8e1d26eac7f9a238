<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Context\DeliveryState;
use Linnet\Core\Context\DeliveryStatus;
use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Engine\Effect\DropText;
use Linnet\Core\Engine\Effect\SendText;
use Linnet\Core\Engine\Port\BusinessReader;
use Linnet\Core\Engine\Port\MessageStore;
use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Gate;
use Linnet\Core\Gate\Say;
use Linnet\Core\Gate\TextOrigin;
use Linnet\Core\Reason;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Rule\ReleaseKind;
use Linnet\Core\Rule\Step\Ask;
use Linnet\Core\Rule\Step\NumberChoice;
use Linnet\Core\Rule\Step\Recipient;
use Linnet\Core\Rule\Step\Sender;
use Linnet\Core\Rule\Step\SenderKind;
use Linnet\Core\Rule\Step\Texting;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Rule\Step\Who;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;
use Linnet\Core\Text\Wording\Used;
use Linnet\Core\Time\Zone;

/** Makes a text a run wants, and takes it through the gate. */
final class OutboundMessages
{
    /** @var array{\DateTimeImmutable, \DateTimeImmutable}|null a moment that was asked about, and when its month began */
    private ?array $month = null;

    public function __construct(
        private readonly BusinessReader $reader,
        private readonly MessageStore $texts,
        private readonly ContextFactory $contexts,
    ) {
    }

    /** A text a run wants now: kept once, then put before the gate. */
    public function request(Run $run, SendText $effect, EvaluationContext $context): DeliveryStatus
    {
        $there = $this->texts->of($run, $effect->name);
        if ($there !== null) {
            return $there->status();
        }
        $outgoing = $effect->step->outgoing();
        $to = $this->receiver($run, $outgoing->to, $effect);
        $wordings = $outgoing->wordings->pool === null ? "$run->ruleId/{$effect->step->id()}" : "pool/{$outgoing->wordings->pool}";
        $counts = $outgoing->wordings->counts();
        $pool = $outgoing->wordings->pool === null ? [] : $this->reader->pool($outgoing->wordings->pool);
        $wording =
            $effect->words === null
                ? $outgoing->wordings->choose(
                    $pool,
                    $counts ? $this->texts->used($wordings, $to->personId, $outgoing->wordings->isLimited($pool)) : new Used,
                    $run->seed($effect->name), $effect->round,
                )
                : null;
        $text = new OutText(
            $effect->name, $run, $to->personId === null ? TextOrigin::Notice : TextOrigin::Rule, $outgoing->kind, $to,
            $effect->words === null ? $wording?->text : Template::parse($effect->words), $counts ? $wordings : '', $wording->id ?? '',
            $this->line($run, $outgoing->from, $to)?->key, $effect->wantedAt, $effect->anchor, $outgoing->picture,
            $effect->step instanceof Ask && $effect->words === null,
        );
        if ($wording !== null && $counts) {
            $this->texts->count($wordings, $wording->id, $to->personId, 1);
        }

        if (! $outgoing->to->isBeside()) {
            return $this->evaluate($text, $context);
        }

        // Whoever is at that person asks the gate: what they had, and may have, is theirs to keep in order.
        return $to->personId === null
            ? $this->transition($text, TextState::Dropped, new Reason('text.nobody', ['field' => $to->who]), $context->now)
            : $this->transition($text, TextState::Waiting, null, $context->now, $context->now);
    }

    /** A text to somebody of the business. */
    public function notify(Run $run, string $name, Receiver $to, Template $words, EvaluationContext $context): void
    {
        if ($this->texts->of($run, $name) === null) {
            $line = $this->usable();
            $this->evaluate(
                new OutText($name, $run, TextOrigin::Notice, TextKind::Service, $to, $words, '', '', $line?->key, $context->now),
                $context,
            );
        }
    }

    /** Puts a waiting text before the gate as things are now. */
    public function evaluate(OutText $text, EvaluationContext $context): DeliveryStatus
    {
        $now = $context->now;
        $this->refresh($text);
        if ($this->isPassedOn($text)) {
            return $this->transition($text, TextState::Dropped, new Reason('text.passed_on', ['who' => $text->to->who]), $now);
        }
        $text->line ??= $this->chosenLine($text);
        $line = $text->line === null ? null : $this->reader->line($text->line);
        $own = $text->own();
        $words = $own?->words === null ? $text->words : Template::parse($own->words);
        if ($words === null) {
            return $this->transition($text, TextState::Dropped, new Reason('text.used_up'), $now);
        }
        if ($line === null) {
            return $this->transition($text, TextState::SetAside, new Reason('text.no_line', ['line' => $text->line ?? $this->sender($text)->called ?? '']), $now);
        }
        if ($text->expectsReply && $line->isOneWay()) {
            return $this->transition($text, TextState::SetAside, new Reason('text.one_way', ['line' => $line->name]), $now);
        }
        $business = $this->reader->business();
        try {
            $text->composed = Composed::of(
                $words, $this->withCodes($words, $text, $context)->facts, $text->to, $business, $now, $this->isFirst($text, $line),
                $text->run?->seed($text->name) ?? $text->name, $line->isOneWay(), $text->picture !== null,
            );
        } catch (TemplateError $e) {
            return $own?->skip === true ? $this->skipped($text, $own) : $this->transition($text, TextState::SetAside, $e->reason(), $now);
        }
        if ($own?->skip === true) {
            return $this->skipped($text, $own);
        }
        if ($own?->at !== null && $own->at > $now) {
            $moved = new Reason('text.moved', ['staff' => $own->by, 'until' => Reason::moment($own->at, $business->zone)]);

            return $this->transition($text, TextState::Waiting, $moved, $now, $own->at);
        }
        $text->judgements[] = $judgement = Gate::judge(
            $this->candidate($text, $text->composed, $line, $context),
            $this->reader->policy(),
            $now,
        );
        $verdict = $judgement->verdict();
        if ($verdict->say === Say::Pass) {
            return $this->leave($text, $line, $now);
        }
        if ($verdict->say === Say::Hold && $verdict->takesSlot && $verdict->until !== null && $text->slot === null) {
            $this->texts->reserveSlot($line->key, $verdict->until);
            $text->slot = $verdict->until;
        } elseif ($verdict->say === Say::Hold && $text->slot !== null && $text->slot <= $now) {
            // Its place is gone: held for another reason, it asks for a new one.
            $text->slot = null;
        }

        return $verdict->say === Say::Hold
            ? $this->transition($text, TextState::Waiting, $verdict->reason, $now, $verdict->until)
            : $this->transition($text, TextState::Dropped, $verdict->reason, $now);
    }

    public function drop(Run $run, DropText $effect): void
    {
        $text = $this->texts->of($run, $effect->name);
        if ($text !== null && ($text->status()->isWaiting() || $text->status()->state === DeliveryState::Leaving)) {
            $this->transition($text, TextState::Dropped, $effect->reason, $this->reader->now());
        }
    }

    /** Whom it goes to, as things are now: they may have said stop since it was wanted. */
    private function refresh(OutText $text): void
    {
        $person = $text->to->personId === null ? null : $this->reader->person($text->to->personId);
        $staff = $text->to->staffId === null ? null : $this->reader->staff($text->to->staffId);
        $text->to = match (true) {
            $person !== null => $this->contexts->stillReceiver($person, $text->to->number),
            $text->to->personId !== null => $this->contexts->colleague(null, null),
            $staff !== null => $this->contexts->colleague($staff, null),
            default => $text->to,
        };
    }

    private function leave(OutText $text, Line $line, \DateTimeImmutable $now): DeliveryStatus
    {
        if ($line->pace->isLimited() && $text->slot === null) {
            $this->texts->reserveSlot($line->key, $now);
        }
        $text->isPersonal = $text->own()?->words !== null;
        $text->isPersonal && $this->uncount($text);

        return $this->transition($text, TextState::Left, null, $now);
    }

    /** So often one to somebody else is asked about that waits for nobody knows what: its run is not told of what happens to them. */
    private const BESIDE_AGAIN = '+10 minutes';

    private function transition(
        OutText $text,
        TextState $state,
        ?Reason $reason,
        \DateTimeImmutable $now,
        ?\DateTimeImmutable $until = null,
    ): DeliveryStatus {
        $text->state = $state;
        $text->reason = $reason;
        $text->settledAt = $text->status()->isWaiting() ? null : $now;
        $state === TextState::Dropped && $this->uncount($text);
        $isBeside = $text->to->personId !== null && $text->run !== null && $text->run->personId() !== $text->to->personId;
        if ($isBeside && $state === TextState::Waiting) {
            $until ??= $now->modify(self::BESIDE_AGAIN);
        }
        $this->texts->save($text);
        $this->texts->hold($text, $state === TextState::Waiting ? $until : null);

        return $text->status();
    }

    private function skipped(OutText $text, OwnText $own): DeliveryStatus
    {
        return $this->transition($text, TextState::Dropped, new Reason('staff.skipped', ['staff' => $own->by]), $this->reader->now());
    }

    /** Its wording was not used after all. */
    private function uncount(OutText $text): void
    {
        if ($text->wordings !== '' && $text->wording !== '') {
            $this->texts->count($text->wordings, $text->wording, $text->to->personId, -1);
        }
    }

    private function candidate(OutText $text, Composed $composed, Line $line, EvaluationContext $context): Candidate
    {
        $now = $context->now;
        $policy = $this->reader->policy();
        $business = $this->reader->business();
        $rules = $text->origin === TextOrigin::Rule;
        $person = $text->to->personId;
        $while = $text->run?->rule->stopEarly->while;
        [$departed, $turn] =
            $line->pace->isLimited() && $text->slot === null
                ? $this->texts->reservedSlots($line->key, $line->pace->looksBack($now))
                : [[], 0];

        return new Candidate(
            $text->origin, $text->kind, $composed->body, $text->to, $text->run->power ?? ActivationState::On, $line->power, $line->name,
            $business->sending,
            sameSentAt: $rules && $person !== null && $policy->sameTextSeconds > 0
                ? $this->texts->sameSentAt($person, $composed->words, $now->modify("-$policy->sameTextSeconds seconds"))
                : null,
            sameHeldSince: $rules && $person !== null && $policy->sameTextSeconds > 0
                ? $this->texts->sameHeldSince($text, $composed->words, $text->wantedAt->modify("-$policy->sameTextSeconds seconds"))
                : null,
            released: $text->released || ! $rules || $text->run?->rule->release->kind === ReleaseKind::Automatic,
            releaseAt: $text->releaseAt,
            standing: $rules ? $while?->weigh($context) : null,
            wantedAt: $text->wantedAt,
            anchor: $text->anchor,
            pausedUntil: $text->run?->pausedUntil,
            recent: $rules && $person !== null && $policy->cap->looksBack() > 0
                ? $this->texts->recent($person, $policy->cap->looksBack())
                : [],
            price: $composed->price,
            spent: $rules && $policy->monthMicros !== null ? $this->texts->spentSince($this->monthBegan($now)) : 0,
            businessZone: $business->zone,
            pace: $line->pace,
            departed: $departed,
            slot: $text->slot,
            turn: $turn,
            health: $line->health,
            lineCountries: $line->countries,
            lineHours: $line->hours,
        );
    }

    private function monthBegan(\DateTimeImmutable $now): \DateTimeImmutable
    {
        if ($this->month === null || $this->month[0] != $now) {
            $zone = Zone::get($this->reader->business()->zone);
            $began = new \DateTimeImmutable($now->setTimezone($zone)->format('Y-m-01'), $zone);
            $this->month = [$now, $began->setTimezone(Zone::utc())];
        }

        return $this->month[1];
    }

    private function isFirst(OutText $text, Line $line): bool
    {
        return $text->origin === TextOrigin::Rule &&
            $text->to->personId !== null &&
            ! $this->texts->hasOpened($text->to->personId, $line->key);
    }

    private function withCodes(Template $words, OutText $text, EvaluationContext $context): EvaluationContext
    {
        $lists = $words->codeLists();
        if ($lists === [] || $text->to->personId === null) {
            return $context;
        }
        $codes = [];
        foreach ($lists as $list) {
            $codes[$list] = $this->texts->code($list, $text->to->personId);
        }

        return $context->knowing('codes', $codes);
    }

    private function receiver(Run $run, Recipient $to, SendText $effect): Receiver
    {
        $numbers = $effect->step->outgoing()->numbers;

        return match (true) {
            $to->isPerson() => $this->contexts->receiver(
                $this->reader->person($run->personId()) ?? throw new \LogicException('a run is about somebody'), $numbers, $run->number,
            ),
            $to->isBeside() => $this->beside($run, $to->which, $numbers),
            default => $this->colleague($run, $to),
        };
    }

    /**
     * The person in a field of the run's record, as things are now.
     *
     * @param  list<NumberChoice>  $numbers
     */
    private function beside(Run $run, string $path, array $numbers): Receiver
    {
        $record = $run->subject->recordId === null ? null : $this->reader->record($run->subject->recordId);
        $field = $record?->type->fields[substr((string) strrchr(".$path", '.'), 1)] ?? null;
        $id = $field?->kind === FieldKind::Person ? $record->values[$field->key] ?? null : null;
        $person = is_numeric($id) ? $this->reader->person((int) $id) : null;

        // Nobody there: what the field is called stands for them.
        return $person === null
            ? $this->contexts->colleague(null, $field === null ? $path : mb_strtolower($field->name, 'UTF-8'))
            : $this->contexts->receiver($person, $numbers);
    }

    /** Whether its record is somebody else's by now, in whatever way that came about, or somebody else is what the receiver was to it. */
    private function isPassedOn(OutText $text): bool
    {
        $record = $text->run?->subject->recordId === null ? null : $this->reader->record($text->run->subject->recordId);
        if ($text->run === null || $record === null || $text->to->personId === null) {
            return false;
        }
        $to = $this->step($text)?->outgoing()->to;

        return $record->personId !== $text->run->personId() ||
            ($to?->isBeside() === true && $this->beside($text->run, $to->which, [])->personId !== $text->to->personId);
    }

    /** The member of staff, or the number, a recipient stands for. */
    public function colleague(Run $run, Recipient $to): Receiver
    {
        $record = $run->subject->recordId === null ? null : $this->reader->record($run->subject->recordId);
        $field =
            $to->who === Who::StaffField && $record !== null
                ? $record->values[substr((string) strrchr(".$to->which", '.'), 1)] ?? null
                : null;
        $staff = match ($to->who) {
            Who::Owner => $record === null ? null : $this->contexts->owner($record),
            Who::StaffField => is_numeric($field) ? $this->reader->staff((int) $field) : null,
            Who::Staff => $this->reader->staffByEmail($to->which),
            default => null,
        };

        return $this->contexts->colleague($staff, $to->who === Who::Number ? $to->which : null);
    }

    /** The key of the line its step says, as things are now. */
    private function chosenLine(OutText $text): ?string
    {
        $from = $this->sender($text);

        return $text->run !== null && $from !== null ? $this->line($text->run, $from, $text->to)?->key : $this->usable()?->key;
    }

    /** What its step says of the line; null where it is no step's. */
    private function sender(OutText $text): ?Sender
    {
        return $this->step($text)?->outgoing()->from;
    }

    private function step(OutText $text): ?Texting
    {
        $step = $text->run?->rule->flow->step(explode('/', $text->name)[0]);

        return $step instanceof Texting ? $step : null;
    }

    private function line(Run $run, Sender $from, Receiver $to): ?Line
    {
        $person = $to->personId ?? $run->personId();
        $key = match ($from->kind) {
            SenderKind::Contacted => $run->line,
            SenderKind::LastUsed => $this->lockedLine($person) ?? $this->texts->lastLine($person, []),
            SenderKind::Owner => $this->ownersLine($run)?->key,
            SenderKind::Fixed => $from->keys[0],
            SenderKind::Pool => $this->fromPool($from->keys, $person, $to),
            // Where no line goes by the name any more, it waits until one does.
            SenderKind::LinePool => $this->fromPool($this->called($from->called), $person, $to) ?? '',
        };

        return $key === null ? $this->usable() : $this->reader->line($key);
    }

    /** @return list<string> the keys of the lines that go by a name */
    private function called(string $pool): array
    {
        return array_values(array_map(
            fn (Line $line): string => $line->key, array_filter($this->reader->lines(), fn (Line $line): bool => $line->pool === $pool),
        ));
    }

    /**
     * The one this person is used to, else the same for them every time; among those that send to their country, if there is one.
     *
     * @param  list<string>  $keys
     */
    private function fromPool(array $keys, int $person, Receiver $to): ?string
    {
        $reach = array_values(array_filter($keys, fn (string $key): bool => $this->reader->line($key)?->sendsTo($to->country) ?? false));
        $keys = $reach === [] ? $keys : $reach;

        return $keys === []
            ? null
            : $this->lockedLine($person) ?? ($this->texts->lastLine($person, $keys) ?? $keys[crc32("line $person") % count($keys)]);
    }

    private function lockedLine(int $person): ?string
    {
        $line = $this->reader->person($person)?->line;

        return $line === null ? null : $this->reader->line($line)?->key;
    }

    private function ownersLine(Run $run): ?Line
    {
        $record = $run->subject->recordId === null ? null : $this->reader->record($run->subject->recordId);
        $owner = $record === null ? null : $this->contexts->owner($record);
        foreach ($this->reader->lines() as $line) {
            if ($owner !== null && $line->staffId === $owner->id) {
                return $line;
            }
        }

        return null;
    }

    /** Where a text says nothing better: the first line that can be answered. */
    private function usable(): ?Line
    {
        foreach ($this->reader->lines() as $line) {
            if (! $line->isOneWay()) {
                return $line;
            }
        }

        return $this->reader->lines()[0] ?? null;
    }
}
