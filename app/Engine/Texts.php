<?php

declare(strict_types=1);

namespace App\Engine;

use App\Models\Business;
use App\Models\Conversation;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Run;
use App\Models\Timer;
use App\Models\Trace;
use Linnet\Core\Engine\Effect\DropText;
use Linnet\Core\Engine\Effect\SendText;
use Linnet\Core\Engine\Situation;
use Linnet\Core\Engine\TextFate;
use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Gate;
use Linnet\Core\Gate\Judgement;
use Linnet\Core\Gate\Origin;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Gate\Power;
use Linnet\Core\Gate\Say;
use Linnet\Core\Reason;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Text\Composed;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;

/** Carries out what the engine wants done with a rule's texts. Always inside the caller's transaction. */
final readonly class Texts
{
    /** A text that has lain in the outbox for longer is put before the gate once more. */
    private const FRESH_SECONDS = 120;

    public function __construct(private Profiles $profiles)
    {
    }

    /** A text a run wants now: kept, then put before the gate. */
    public function want(Run $run, SendText $effect, Situation $situation, Receiver $to, Business $business): TextFate
    {
        $step = $effect->step;
        $line = $step->line === null ? $run->line : Line::query()->firstWhere('key', $step->line);
        $message = Message::query()->create([
            'name' => "$run->id/$effect->name",
            'origin' => MessageOrigin::Rule,
            'state' => MessageState::Waiting,
            'person_id' => $run->person_id,
            'line_id' => $line->id ?? Line::query()->orderBy('id')->firstOrFail()->id,
            'run_id' => $run->id,
            'rule_id' => $run->rule_id,
            'step' => $step->id,
            'kind' => $step->kind,
            'number' => $to->number,
            'template' => $step->wording->source,
            'body' => '',
            'wanted_at' => $situation->now,
            'at' => $situation->now,
        ]);

        return $this->judge($message, $run, $situation, $to, $business);
    }

    /** Puts a waiting text before the gate as things are now. */
    public function judge(Message $message, Run $run, Situation $situation, Receiver $to, Business $business): TextFate
    {
        $now = $situation->now;
        try {
            $composed = Composed::of(
                Template::parse((string) $message->template), $situation->facts, $to, $business->asSender(), $now, $this->isFirst($message),
                // By the record, not the run: a rehearsal on the same record chooses the same words.
                $run->record_id.strstr($message->name, '/'),
            );
        } catch (TemplateError $e) {
            return $this->settle($message, MessageState::SetAside, $e->reason(), $now, null);
        }

        $policy = $business->gatePolicy();
        $judgement = $this->gate($message, $composed->body, $to, $run->rule->power, $business, $now, $this->sameSentAt($to->number, $composed->body, $policy, $now));
        $verdict = $judgement->verdict();
        $message->fill([
            'number' => $to->number,
            'body' => $composed->body,
            'encoding' => $composed->length->encoding->value,
            'parts' => $composed->length->parts,
            'price_micros' => $composed->price,
            'currency' => $business->currency(),
            'verdicts' => $judgement->toArray(),
        ]);

        return match ($verdict->say) {
            Say::Pass => $this->leave($message, $now),
            Say::Hold => $this->settle($message, MessageState::Waiting, $verdict->reason, $now, $verdict->until),
            Say::Drop => $this->settle($message, MessageState::Dropped, $verdict->reason, $now, null),
        };
    }

    /**
     * Whether a rule's text in the outbox may still be handed over. Where its receiver has said stop since, or it has lain there for
     * long, the gate is asked once more: it is dropped, or stays until its moment.
     */
    public function mayStillLeave(Message $message, Business $business, \DateTimeImmutable $now): bool
    {
        $to = $this->profiles->receiver($message->person, $business);
        $fresh = $message->left_at !== null && $message->left_at->getTimestamp() + self::FRESH_SECONDS > $now->getTimestamp();
        if ($message->origin !== MessageOrigin::Rule || ($fresh && ! $to->optedOut)) {
            return true;
        }
        $verdict = $this->gate($message, $message->body, $to, $message->rule->power ?? Power::On, $business, $now, null)->verdict();
        if ($verdict->say === Say::Drop) {
            $this->settle($message, MessageState::Dropped, $verdict->reason, $now, null);
        } elseif ($verdict->say === Say::Hold) {
            $message->update(['retry_at' => $verdict->until ?? $now->modify('+1 minute'), 'reason' => $verdict->reason->toArray()]);
        }

        return $verdict->say === Say::Pass;
    }

    /** A text that has not left is not wanted any more. */
    public function drop(Run $run, DropText $effect, \DateTimeImmutable $now): void
    {
        $message = Message::query()->where('name', "$run->id/$effect->name")
            ->whereIn('state', [MessageState::Waiting, MessageState::SetAside])->first();
        if ($message !== null) {
            $this->settle($message, MessageState::Dropped, $effect->reason, $now, null);
        }
    }

    /** Into the outbox, and into the conversation. */
    public function leave(Message $message, \DateTimeImmutable $now): TextFate
    {
        $conversation = Conversation::query()->firstOrCreate(
            ['person_id' => $message->person_id, 'line_id' => $message->line_id],
            ['last_at' => $now],
        );
        $message->fill([
            'state' => MessageState::Ready, 'reason' => null, 'left_at' => $now, 'at' => $now, 'conversation_id' => $conversation->id,
        ])->save();
        $conversation->update(['last_message_id' => $message->id, 'last_at' => $now]);
        Timer::clear(Timer::MESSAGE, $message->id);

        return TextFate::Left;
    }

    private function settle(Message $message, MessageState $state, Reason $reason, \DateTimeImmutable $now, ?\DateTimeImmutable $until): TextFate
    {
        $waits = $state === MessageState::Waiting;
        $known = $message->state === $state && $message->reason !== null && $message->reason['code'] === $reason->code;
        $message->fill(['state' => $state, 'reason' => $reason->toArray()])->save();
        $waits ? Timer::put(Timer::MESSAGE, $message->id, $until) : Timer::clear(Timer::MESSAGE, $message->id);
        if (! $known) {
            Trace::note($reason, $now, [
                'person_id' => $message->person_id, 'rule_id' => $message->rule_id, 'run_id' => $message->run_id, 'message_id' => $message->id,
            ]);
        }

        return $state === MessageState::Dropped ? TextFate::Dropped : TextFate::Waiting;
    }

    private function gate(Message $message, string $body, Receiver $to, Power $rule, Business $business, \DateTimeImmutable $now, ?\DateTimeImmutable $sameSentAt): Judgement
    {
        return Gate::judge(new Candidate(
            Origin::Rule, $message->kind ?? TextKind::Service, $body, $to, $rule, $message->line->power, $message->line->name, $business->sending, $sameSentAt,
        ), $business->gatePolicy(), $now);
    }

    /** No automatic text has gone to this person on this line before. */
    private function isFirst(Message $message): bool
    {
        return ! Message::query()->where('person_id', $message->person_id)->where('line_id', $message->line_id)
            ->where('origin', MessageOrigin::Rule)->whereIn('state', MessageState::left())->exists();
    }

    private function sameSentAt(?string $number, string $body, Policy $policy, \DateTimeImmutable $now): ?\DateTimeImmutable
    {
        return Message::query()->where('number', $number)->where('body', $body)->where('origin', MessageOrigin::Rule)
            ->where('left_at', '>', $now->modify("-$policy->sameTextSeconds seconds"))->orderByDesc('left_at')->first()?->left_at;
    }
}
