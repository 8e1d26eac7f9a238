<?php

declare(strict_types=1);

namespace App\Engine;

use App\Carrier\Answer;
use App\Carrier\Carrier;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Outage;
use App\Models\Run;
use App\Models\Timer;
use App\Models\Trace;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Reason;
use Psr\Clock\ClockInterface;

/**
 * Hands over what has passed the gate. A crash in between hands over again under the same key, which the carrier takes once.
 *
 * A carrier that does not answer is one trouble: it is asked again with growing pauses, one text at a time, and the others wait for as
 * long as each still makes sense.
 */
final readonly class Outbox
{
    /** A text the carrier was busy for is offered again after 2, 4, 8 … seconds, so often at least. */
    private const LONGEST_PAUSE = 300;

    /** Looked through for what no longer makes sense, while the carrier does not answer. */
    private const LOOKED_THROUGH = 100;

    public function __construct(private ClockInterface $clock, private Carrier $carrier, private LastLook $last, private int $concurrency)
    {
    }

    /** @return int how many were handed over, dropped or given up */
    public function deliver(): int
    {
        $now = $this->clock->now();
        $outage = Outage::now();
        if ($outage !== null && $outage->next_at > $now) {
            return 0;
        }
        $past = $outage === null ? 0 : $this->lookThrough($now);
        $ready = Message::query()->where('state', MessageState::Ready)
            ->where(fn ($query) => $query->whereNull('retry_at')->orWhere('retry_at', '<=', $now))
            ->orderBy('id')->limit($outage === null ? $this->concurrency : 1)->with(['line', 'rule'])->get()->all();
        if ($ready === []) {
            return $past;
        }
        $messages = $this->last->at(array_values($ready), $now);
        if ($messages === []) {
            return $past + count($ready);
        }
        $answers = $this->carrier->handOver($messages);
        $silent = array_filter($answers, fn (Answer $answer): bool => ! $answer->final);

        return $past + DB::transaction(function () use ($messages, $answers, $silent, $now): int {
            $this->note($silent === [] ? null : reset($silent)->detail, count($silent) === count($answers), $now);

            return array_sum(
                array_map(fn (Message $message): int => (int) $this->store($message->id, $answers[$message->id], $now), $messages),
            );
        });
    }

    /** What the carrier as a whole is like: nobody answered, or somebody did. */
    private function note(?string $detail, bool $allSilent, \DateTimeImmutable $now): void
    {
        if ($allSilent) {
            Outage::goesOn((string) $detail, $now);

            return;
        }
        $over = Outage::now();
        if ($over !== null) {
            if ($over->tries >= 3) {
                Trace::note(
                    new Reason('carrier.answers_again', [
                        'since' => Reason::moment($over->since->toDateTimeImmutable(), \App\Models\Business::ours()->zone),
                    ]),
                    $now,
                    [],
                );
            }
            $over->delete();
            Message::query()
                ->where('state', MessageState::Ready)
                ->where('attempts', '>', 0)
                ->whereNull('reason')
                ->update(['retry_at' => null]);
        }
    }

    /** Texts whose event is past, or that nobody took for too long, do not wait for the carrier to come back. */
    private function lookThrough(\DateTimeImmutable $now): int
    {
        $old = Message::query()
            ->where('state', MessageState::Ready)
            ->where(
                fn ($query) => $query
                    ->where('anchor_at', '<=', $now)
                    ->orWhere('left_at', '<=', $now->modify('-'.LastLook::LONGEST_HOURS.' hours')),
            )
            ->orderBy('id')
            ->limit(self::LOOKED_THROUGH)
            ->with(['line', 'rule'])
            ->get()
            ->all();

        return $old === [] ? 0 : count($old) - count($this->last->at(array_values($old), $now));
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
        if (! $answer->final) {
            $seconds = min(self::LONGEST_PAUSE, 2 ** min($attempts, 9));
            $message->update([
                'attempts' => $attempts,
                'retry_at' => $now->modify('+'.($seconds + (crc32("$id/$attempts") % $seconds)).' seconds'),
            ]);

            return false;
        }
        $message->update(
            $answer->accepted
                ? [
                    'state' => MessageState::Handed, 'carrier_ref' => $answer->ref, 'handed_at' => $now, 'attempts' => $attempts,
                    'reason' => null, 'retry_at' => null,
                ]
                : ['attempts' => $attempts],
        );
        $answer->accepted
            ? $this->wake($message, $now)
            : self::fail($message, new Reason('carrier.refused', ['detail' => $answer->detail]), $now);

        return true;
    }

    /** It passed the gate, and nobody takes it: it never left, and what was to follow it is looked at anew. */
    public static function fail(Message $message, Reason $reason, \DateTimeImmutable $now): void
    {
        $message->neverLeft(MessageState::Failed, $reason, ['status_at' => $now, 'retry_at' => null]);
        Trace::note($reason, $now, [
            'person_id' => $message->person_id, 'rule_id' => $message->rule_id, 'run_id' => $message->run_id, 'message_id' => $message->id,
        ]);
        self::lookAtRun($message, $now);
    }

    /** Where a run had come to its next step before its text was taken, it has waited for it. */
    private function wake(Message $message, \DateTimeImmutable $now): void
    {
        if ($message->attempts > 1 || ($message->left_at !== null && $message->left_at->getTimestamp() + 30 < $now->getTimestamp())) {
            self::lookAtRun($message, $now);
        }
    }

    private static function lookAtRun(Message $message, \DateTimeImmutable $now): void
    {
        if (
            $message->run_id !== null &&
            $message->origin === MessageOrigin::Rule &&
            Run::query()->whereKey($message->run_id)->where('live', true)->exists()
        ) {
            Timer::put(Timer::RUN, $message->run_id, $now);
        }
    }
}
