<?php

declare(strict_types=1);

namespace App\Engine;

use App\Carrier\Answer;
use App\Carrier\Carrier;
use App\Models\Business;
use App\Models\Message;
use App\Models\MessageState;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Reason;
use Psr\Clock\ClockInterface;

/** Hands over what has passed the gate. A crash in between hands over again under the same key, which the carrier takes once. */
final readonly class Outbox
{
    public function __construct(private ClockInterface $clock, private Carrier $carrier, private LastLook $last, private int $atOnce, private int $attempts)
    {
    }

    /** @return int how many were handed over or given up */
    public function deliver(): int
    {
        $now = $this->clock->now();
        $messages = Message::query()->where('state', MessageState::Ready)
            ->where(fn ($query) => $query->whereNull('retry_at')->orWhere('retry_at', '<=', $now))
            ->orderBy('id')->limit($this->atOnce)->with(['line', 'rule'])->get()->all();
        if ($messages === []) {
            return 0;
        }

        $messages = $this->last->at(array_values($messages), $now);
        $answers = $this->carrier->handOver($messages, Business::ours()->install);

        return DB::transaction(fn (): int => array_sum(array_map(
            fn (Message $message): int => (int) $this->store($message->id, $answers[$message->id], $now),
            $messages,
        )));
    }

    private function store(int $id, Answer $answer, \DateTimeImmutable $now): bool
    {
        // Read again: a receipt may have come in faster than the answer.
        $message = Message::query()->lockForUpdate()->findOrFail($id);
        if ($message->state !== MessageState::Ready) {
            $message->update(['carrier_ref' => $answer->ref ?? $message->carrier_ref, 'handed_at' => $message->handed_at ?? $now]);

            return true;
        }
        $attempts = $message->attempts + 1;
        if (! $answer->final && $attempts < $this->attempts) {
            $seconds = 2 ** $attempts + crc32("$id/$attempts") % 2 ** $attempts;
            $message->update(['attempts' => $attempts, 'retry_at' => $now->modify("+$seconds seconds")]);

            return false;
        }
        $message->update($answer->accepted
            ? ['state' => MessageState::Handed, 'carrier_ref' => $answer->ref, 'handed_at' => $now, 'attempts' => $attempts]
            : [
                'state' => MessageState::Failed, 'fate_at' => $now, 'attempts' => $attempts,
                'reason' => (new Reason($answer->final ? 'carrier.refused' : 'carrier.given_up', ['detail' => $answer->detail, 'attempts' => $attempts]))->toArray(),
            ]);

        return true;
    }
}
