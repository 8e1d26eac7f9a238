<?php

declare(strict_types=1);

namespace App\Engine;

use App\Engine\Live\Desk;
use App\Engine\Live\LiveDeeds;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Gate;
use Linnet\Core\Gate\Origin;
use Linnet\Core\Gate\Power;
use Linnet\Core\Gate\Say;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Rule\Step\TextKind;

/**
 * Whether a rule's text in the outbox may still be handed over. Where its receiver has said stop since, or it has lain there for long,
 * the gate is asked once more: it is dropped, or stays until its moment.
 */
final readonly class LastLook
{
    private const FRESH_SECONDS = 120;

    public function __construct(private LiveDeeds $deeds)
    {
    }

    /**
     * @param  list<Message>  $messages
     * @return list<Message> those that may
     */
    public function at(array $messages, \DateTimeImmutable $now): array
    {
        return Desk::work($now, $this->deeds, function (Desk $desk) use ($messages): array {
            $desk->known->preload(array_values(array_unique(array_map(fn (Message $message): int => $message->person_id, $messages))));

            return array_values(array_filter($messages, fn (Message $message): bool => $this->may($desk, $message)));
        });
    }

    private function may(Desk $desk, Message $message): bool
    {
        $person = $desk->known->person($message->person_id);
        if ($message->origin !== MessageOrigin::Rule || $person === null) {
            return true;
        }
        $to = $desk->surroundings->stillReceiver($person, $message->number);
        $fresh = $message->left_at !== null && $message->left_at->getTimestamp() + self::FRESH_SECONDS > $desk->now->getTimestamp();
        if ($fresh && ! $to->optedOut) {
            return true;
        }
        $verdict = Gate::judge(new Candidate(
            Origin::Rule, $message->kind ?? TextKind::Service, $message->body, $to, $message->rule->power ?? Power::On, $message->line->power, $message->line->name,
            $desk->known->business()->sending, anchor: $message->anchor_at?->toDateTimeImmutable(), wantedAt: $message->wanted_at->toDateTimeImmutable(),
        ), $desk->known->policy(), $desk->now)->verdict();
        $this->note($desk, $message, $verdict);

        return $verdict->say === Say::Pass;
    }

    private function note(Desk $desk, Message $message, Verdict $verdict): void
    {
        if ($verdict->say === Say::Drop) {
            $message->update(['state' => MessageState::Dropped, 'reason' => $verdict->reason->toArray()]);
            $desk->runs->trace($verdict->reason, $message->rule_id, $message->run_id, $message->person_id, null, $message->id);
        } elseif ($verdict->say === Say::Hold) {
            $message->update(['retry_at' => $verdict->until ?? $desk->now->modify('+1 minute'), 'reason' => $verdict->reason->toArray()]);
        }
    }
}
