<?php

declare(strict_types=1);

namespace App\Engine;

use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Gate;
use Linnet\Core\Gate\Say;
use Linnet\Core\Gate\TextOrigin;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Reason;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Rule\Condition\Weighed;
use Linnet\Core\Rule\Step\TextKind;

/**
 * Whether a text in the outbox may still be handed over: whoever wrote it, its receiver has not said stop since, nor what reads like it.
 * A rule's text is put before the gate once more as things are now: it goes, is dropped, or stays until its moment.
 */
final readonly class LastLook
{
    /** For so long the hour is not asked about again: it was decent when it passed the gate. */
    private const FRESH_SECONDS = 120;

    /** A text with no event to come before makes no sense any more when nobody has taken it for so long. */
    public const LONGEST_HOURS = 24;

    public function __construct(private DatabaseSideEffects $sideEffects)
    {
    }

    /**
     * @param  list<Message>  $messages
     * @return list<Message> those that may
     */
    public function at(array $messages, \DateTimeImmutable $now): array
    {
        $people = array_values(array_unique(array_map(fn (Message $message): int => $message->person_id, $messages)));

        return UnitOfWork::transaction($now, $this->sideEffects, function (UnitOfWork $unit) use ($messages, $people): array {
            $unit->reader->preload($people);
            // Asked behind the lock: another hand-over may have dropped one since these were read.
            $ready = Message::query()->whereKey(array_column($messages, 'id'))->where('state', MessageState::Ready)->pluck('id')->flip();

            return array_values(
                array_filter($messages, fn (Message $message): bool => $ready->has($message->id) && $this->may($unit, $message)),
            );
        }, $people);
    }

    private function may(UnitOfWork $unit, Message $message): bool
    {
        $person = $unit->reader->person($message->person_id);
        if ($message->origin === MessageOrigin::Notice || $person === null) {
            return $this->mayTellStaff($unit, $message);
        }
        $to = $unit->contexts->stillReceiver($person, $message->number);
        if (
            $message->left_at !== null &&
            $message->left_at < $unit->now->modify('-'.self::LONGEST_HOURS.' hours') &&
            ($message->anchor_at === null || $message->anchor_at <= $message->wanted_at)
        ) {
            Outbox::fail(
                $message,
                new Reason('carrier.given_up', ['hours' => self::LONGEST_HOURS, 'attempts' => $message->attempts]),
                $unit->now,
            );

            return false;
        }
        $verdict = $message->origin === MessageOrigin::Rule ? $this->ofRule($unit, $message, $to) : $this->ofWords($message, $to);
        if ($verdict !== null) {
            $this->note($unit, $message, $verdict);
        }

        return $verdict === null || $verdict->say === Say::Pass;
    }

    private function ofRule(UnitOfWork $unit, Message $message, Receiver $to): ?Verdict
    {
        $isFresh = $message->left_at !== null && $message->left_at->getTimestamp() + self::FRESH_SECONDS > $unit->now->getTimestamp();
        $verdict = Gate::judge(
            new Candidate(
                TextOrigin::Rule, $message->kind ?? TextKind::Service, $message->body, $to, $message->rule->power ?? ActivationState::On,
                $message->line->power, $message->line->name, $unit->reader->business()->sending,
                anchor: $message->anchor_at?->toDateTimeImmutable(), wantedAt: $message->wanted_at->toDateTimeImmutable(),
                standing: $isFresh ? null : $this->standing($unit, $message),
            ),
            $unit->reader->policy(),
            $unit->now,
        )->verdict();

        return $isFresh && $verdict->reason->code === 'gate.outside_hours' ? null : $verdict;
    }

    /** What a person typed, or the one answer a word gets. A stop that came after it was written holds for it too. */
    private function ofWords(Message $message, Receiver $to): ?Verdict
    {
        $with = ['who' => $to->who];
        $stopped = $to->optedOut && ($message->origin === MessageOrigin::Staff || $this->stoppedSince($message));
        $doubted =
            $to->mayHaveOptedOut &&
            DB::table('numbers')
                ->join('messages', 'messages.id', '=', 'numbers.ambiguous_opt_out_message_id')
                ->where('e164', $message->number)
                ->where('messages.id', '>', $message->id)
                ->exists();

        return match (true) {
            $stopped => Verdict::drop(new Reason('gate.opted_out', $with)),
            $doubted => Verdict::hold(new Reason('gate.may_have_opted_out', $with), null),
            default => null,
        };
    }

    /** The confirmation of a stop goes out after it; what was said before does not. */
    private function stoppedSince(Message $message): bool
    {
        return DB::table('messages')
            ->where('number', $message->number)
            ->where('origin', MessageOrigin::Them->value)
            ->where('meaning', 'opt_out')
            ->where('id', '>', $message->id)
            ->exists();
    }

    private function mayTellStaff(UnitOfWork $unit, Message $message): bool
    {
        $staff = $message->to_staff_id === null ? null : $unit->reader->staff($message->to_staff_id);
        if ($staff !== null && ! $staff->textsAllowed) {
            $this->note($unit, $message, Verdict::drop(new Reason('gate.staff_off', ['who' => $staff->name])));

            return false;
        }

        return true;
    }

    private function standing(UnitOfWork $unit, Message $message): ?Weighed
    {
        $run = $message->run_id === null ? null : $unit->runs->run($message->run_id);

        return $run === null ? null : $run->rule->stopEarly->while?->weigh($unit->conductor->contextOf($run));
    }

    private function note(UnitOfWork $unit, Message $message, Verdict $verdict): void
    {
        if ($verdict->say === Say::Drop) {
            $message->neverLeft(MessageState::Dropped, $verdict->reason);
            $unit->runs->trace($verdict->reason, $message->rule_id, $message->run_id, $message->person_id, null, $message->id);
        } elseif ($verdict->say === Say::Hold) {
            $message->update(['retry_at' => $verdict->until ?? $unit->now->modify('+1 minute'), 'reason' => $verdict->reason->toArray()]);
        }
    }
}
