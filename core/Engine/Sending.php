<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Engine\Books\Known;
use Linnet\Core\Engine\Books\Texts;
use Linnet\Core\Engine\Effect\DropText;
use Linnet\Core\Engine\Effect\SendText;
use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Gate;
use Linnet\Core\Gate\Origin;
use Linnet\Core\Gate\Power;
use Linnet\Core\Gate\Say;
use Linnet\Core\Reason;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Rule\ReleaseKind;
use Linnet\Core\Rule\Step\Ask;
use Linnet\Core\Rule\Step\Recipient;
use Linnet\Core\Rule\Step\Sender;
use Linnet\Core\Rule\Step\SenderKind;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Rule\Step\Who;
use Linnet\Core\Text\Composed;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;
use Linnet\Core\Text\Wording\Used;
use Linnet\Core\Time\Zone;

/** Makes a text a run wants, and takes it through the gate. */
final readonly class Sending
{
    public function __construct(private Known $known, private Texts $texts, private Surroundings $surroundings)
    {
    }

    /** A text a run wants now: kept once, then put before the gate. */
    public function want(Run $run, SendText $effect, Situation $situation): Fate
    {
        $there = $this->texts->of($run, $effect->name);
        if ($there !== null) {
            return $there->fate();
        }
        $outgoing = $effect->step->outgoing();
        $to = $this->receiver($run, $outgoing->to, $effect);
        $wordings = $outgoing->wordings->pool === null ? "$run->ruleId/{$effect->step->id()}" : "pool/{$outgoing->wordings->pool}";
        $counts = $outgoing->wordings->counts();
        $pool = $outgoing->wordings->pool === null ? [] : $this->known->pool($outgoing->wordings->pool);
        $wording = $effect->words === null ? $outgoing->wordings->choose($pool, $counts ? $this->texts->used($wordings, $to->personId) : new Used, $run->seed($effect->name), $effect->round) : null;
        $text = new OutText(
            $effect->name, $run, $to->personId === null ? Origin::Notice : Origin::Rule, $outgoing->kind, $to,
            $effect->words === null ? $wording?->text : Template::parse($effect->words), $counts ? $wordings : '', $wording->id ?? '',
            $this->line($run, $outgoing->from, $to)?->key, $effect->wantedAt, $effect->anchor, $outgoing->picture, $effect->step instanceof Ask && $effect->words === null,
        );
        if ($wording !== null && $counts) {
            $this->texts->count($wordings, $wording->id, $to->personId, 1);
        }

        return $this->judge($text, $situation);
    }

    /** A text to somebody of the business. */
    public function notify(Run $run, string $name, Receiver $to, Template $words, Situation $situation): void
    {
        if ($this->texts->of($run, $name) === null) {
            $line = $this->usable();
            $this->judge(new OutText($name, $run, Origin::Notice, TextKind::Service, $to, $words, '', '', $line?->key, $situation->now), $situation);
        }
    }

    /** Puts a waiting text before the gate as things are now. */
    public function judge(OutText $text, Situation $situation): Fate
    {
        $now = $situation->now;
        $this->refresh($text);
        $line = $text->line === null ? null : $this->known->line($text->line);
        if ($text->words === null) {
            return $this->settle($text, TextState::Dropped, new Reason('text.used_up'), $now);
        }
        if ($line === null) {
            return $this->settle($text, TextState::SetAside, new Reason('text.no_line', ['line' => $text->line ?? '']), $now);
        }
        if ($text->expectsReply && $line->isOneWay()) {
            return $this->settle($text, TextState::SetAside, new Reason('text.one_way', ['line' => $line->name]), $now);
        }
        $business = $this->known->business();
        try {
            $text->composed = Composed::of(
                $text->words, $this->withCodes($text, $situation)->facts, $text->to, $business, $now, $this->isFirst($text, $line),
                $text->run?->seed($text->name) ?? $text->name, $line->isOneWay(), $text->picture !== null,
            );
        } catch (TemplateError $e) {
            return $this->settle($text, TextState::SetAside, $e->reason(), $now);
        }
        $text->judgements[] = $judgement = Gate::judge($this->candidate($text, $text->composed, $line, $situation), $this->known->policy(), $now);
        $verdict = $judgement->verdict();
        if ($verdict->say === Say::Pass) {
            return $this->leave($text, $line, $now);
        }
        if ($verdict->say === Say::Hold && $verdict->takesSlot && $verdict->until !== null && $text->slot === null) {
            $this->texts->depart($line->key, $verdict->until);
            $text->slot = $verdict->until;
        } elseif ($verdict->say === Say::Hold && $text->slot !== null && $text->slot <= $now) {
            // Its place is gone: held for another reason, it asks for a new one.
            $text->slot = null;
        }

        return $verdict->say === Say::Hold
            ? $this->settle($text, TextState::Waiting, $verdict->reason, $now, $verdict->until)
            : $this->settle($text, TextState::Dropped, $verdict->reason, $now);
    }

    public function drop(Run $run, DropText $effect): void
    {
        $text = $this->texts->of($run, $effect->name);
        if ($text !== null && ($text->fate()->isWaiting() || $text->fate()->fate === TextFate::Leaving)) {
            $this->settle($text, TextState::Dropped, $effect->reason, $this->known->now());
        }
    }

    /** Whom it goes to, as things are now: they may have said stop since it was wanted. */
    private function refresh(OutText $text): void
    {
        $person = $text->to->personId === null ? null : $this->known->person($text->to->personId);
        $staff = $text->to->staffId === null ? null : $this->known->staff($text->to->staffId);
        $text->to = match (true) {
            $person !== null => $this->surroundings->stillReceiver($person, $text->to->number),
            $staff !== null => $this->surroundings->colleague($staff, null),
            default => $text->to,
        };
    }

    private function leave(OutText $text, Line $line, \DateTimeImmutable $now): Fate
    {
        if ($line->pace->isLimited() && $text->slot === null) {
            $this->texts->depart($line->key, $now);
        }

        return $this->settle($text, TextState::Left, null, $now);
    }

    private function settle(OutText $text, TextState $state, ?Reason $reason, \DateTimeImmutable $now, ?\DateTimeImmutable $until = null): Fate
    {
        $text->state = $state;
        $text->reason = $reason;
        $text->settledAt = $text->fate()->isWaiting() ? null : $now;
        if ($state === TextState::Dropped && $text->wordings !== '' && $text->wording !== '') {
            $this->texts->count($text->wordings, $text->wording, $text->to->personId, -1);
        }
        $this->texts->keep($text);
        $this->texts->hold($text, $state === TextState::Waiting ? $until : null);

        return $text->fate();
    }

    private function candidate(OutText $text, Composed $composed, Line $line, Situation $situation): Candidate
    {
        $now = $situation->now;
        $policy = $this->known->policy();
        $business = $this->known->business();
        $rules = $text->origin === Origin::Rule;
        $person = $text->to->personId;
        $while = $text->run?->rule->stopEarly->while;
        [$departed, $turn] = $line->pace->isLimited() && $text->slot === null ? $this->texts->departed($line->key, $line->pace->looksBack($now)) : [[], 0];

        return new Candidate(
            $text->origin, $text->kind, $composed->body, $text->to, $text->run->power ?? Power::On, $line->power, $line->name, $business->sending,
            sameSentAt: $rules && $person !== null && $policy->sameTextSeconds > 0 ? $this->texts->sameSentAt($person, $composed->words, $now->modify("-$policy->sameTextSeconds seconds")) : null,
            sameHeldSince: $rules && $person !== null && $policy->sameTextSeconds > 0 ? $this->texts->sameHeldSince($text, $composed->words, $text->wantedAt->modify("-$policy->sameTextSeconds seconds")) : null,
            released: $text->released || ! $rules || $text->run?->rule->release->kind === ReleaseKind::Automatic,
            standing: $rules ? $while?->weigh($situation) : null,
            wantedAt: $text->wantedAt,
            anchor: $text->anchor,
            pausedUntil: $text->run?->pausedUntil,
            recent: $rules && $person !== null && $policy->cap->looksBack() > 0 ? $this->texts->recent($person, $policy->cap->looksBack()) : [],
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
        $zone = Zone::get($this->known->business()->zone);

        return (new \DateTimeImmutable($now->setTimezone($zone)->format('Y-m-01'), $zone))->setTimezone(Zone::utc());
    }

    private function isFirst(OutText $text, Line $line): bool
    {
        return $text->origin === Origin::Rule && $text->to->personId !== null && ! $this->texts->hasOpened($text->to->personId, $line->key);
    }

    private function withCodes(OutText $text, Situation $situation): Situation
    {
        $lists = $text->words?->codeLists() ?? [];
        if ($lists === [] || $text->to->personId === null) {
            return $situation;
        }
        $codes = [];
        foreach ($lists as $list) {
            $codes[$list] = $this->texts->code($list, $text->to->personId);
        }

        return $situation->knowing('codes', $codes);
    }

    private function receiver(Run $run, Recipient $to, SendText $effect): Receiver
    {
        return $to->isPerson()
            ? $this->surroundings->receiver($this->known->person($run->personId()) ?? throw new \LogicException('a run is about somebody'), $effect->step->outgoing()->numbers, $run->number)
            : $this->colleague($run, $to);
    }

    /** The member of staff, or the number, a recipient stands for. */
    public function colleague(Run $run, Recipient $to): Receiver
    {
        $record = $run->subject->recordId === null ? null : $this->known->record($run->subject->recordId);
        $field = $to->who === Who::StaffField && $record !== null ? $record->values[substr((string) strrchr(".$to->which", '.'), 1)] ?? null : null;
        $staff = match ($to->who) {
            Who::Owner => $record === null ? null : $this->surroundings->owner($record),
            Who::StaffField => is_numeric($field) ? $this->known->staff((int) $field) : null,
            Who::Staff => $this->known->staffByEmail($to->which),
            default => null,
        };

        return $this->surroundings->colleague($staff, $to->who === Who::Number ? $to->which : null);
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
        };

        return $key === null ? $this->usable() : $this->known->line($key);
    }

    /**
     * The one this person is used to, else the same for them every time; among those that send to their country, if there is one.
     *
     * @param  list<string>  $keys
     */
    private function fromPool(array $keys, int $person, Receiver $to): ?string
    {
        $reach = array_values(array_filter($keys, fn (string $key): bool => $this->known->line($key)?->sendsTo($to->country) ?? false));
        $keys = $reach === [] ? $keys : $reach;

        return $keys === [] ? null : $this->lockedLine($person) ?? $this->texts->lastLine($person, $keys) ?? $keys[crc32("line $person") % count($keys)];
    }

    private function lockedLine(int $person): ?string
    {
        $line = $this->known->person($person)?->line;

        return $line === null ? null : $this->known->line($line)?->key;
    }

    private function ownersLine(Run $run): ?Line
    {
        $record = $run->subject->recordId === null ? null : $this->known->record($run->subject->recordId);
        $owner = $record === null ? null : $this->surroundings->owner($record);
        foreach ($this->known->lines() as $line) {
            if ($owner !== null && $line->staffId === $owner->id) {
                return $line;
            }
        }

        return null;
    }

    /** Where a text says nothing better: the first line that can be answered. */
    private function usable(): ?Line
    {
        foreach ($this->known->lines() as $line) {
            if (! $line->isOneWay()) {
                return $line;
            }
        }

        return $this->known->lines()[0] ?? null;
    }
}
