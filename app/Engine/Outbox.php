<?php

declare(strict_types=1);

namespace App\Engine;

use App\Carrier\Answer;
use App\Carrier\Carrier;
use App\Carrier\Carriers;
use App\Carrier\Handover;
use App\Engine\Store\PersonLocks;
use App\Models\Business;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Outage;
use App\Models\Run;
use App\Models\Timer;
use App\Models\Trace;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Linnet\Core\Reason;
use Psr\Clock\ClockInterface;

/**
 * Hands over what has passed the gate. Texts are claimed by a lease before they are offered, so that as many may be at it as one likes.
 *
 * A hand-over that is cut off is done again under the same key, which the carrier takes once. Where a carrier knows no keys, it is left
 * for somebody to decide. A carrier that does not answer is one trouble: it is asked again with growing pauses, one text at a time, and
 * the others wait for as long as each still makes sense.
 */
final readonly class Outbox
{
    /** A text the carrier was busy for is offered again after 2, 4, 8 … seconds, so often at least. */
    private const LONGEST_PAUSE = 300;

    /** Looked through for what no longer makes sense, while the carrier does not answer. */
    private const LOOKED_THROUGH = 100;

    private string $me;

    public function __construct(
        private ClockInterface $clock,
        private Carriers $carriers,
        private LastLook $last,
        private int $concurrency,
        private int $leaseSeconds,
    ) {
        $this->me = (string) Str::uuid7();
    }

    /** @return int how many were handed over, dropped or given up */
    public function deliver(): int
    {
        if (Message::query()->where('state', MessageState::Ready)->doesntExist()) {
            return 0;
        }
        $lines = [];
        foreach (Line::query()->orderBy('id')->get(['id', 'carrier']) as $line) {
            $lines[$line->carrier][] = $line->id;
        }

        return array_sum(array_map($this->deliverBy(...), array_keys($lines), array_values($lines)));
    }

    /** @param  list<int>  $lines  those that leave by this carrier */
    private function deliverBy(string $name, array $lines): int
    {
        $now = $this->clock->now();
        $carrier = $this->carriers->of($name);
        $outage = Outage::of($name);
        if ($outage !== null && $outage->next_at > $now) {
            return 0;
        }
        $past = $outage === null ? 0 : $this->lookThrough($lines, $now);
        $claimed = $this->claim($lines, $outage === null ? $this->concurrency : 1, $carrier->takesKeys(), $now);
        if ($claimed === []) {
            return $past;
        }
        $messages = $this->last->at($claimed, $now);
        $this->release(array_diff(array_column($claimed, 'id'), array_column($messages, 'id')));
        if ($messages === []) {
            return $past + count($claimed);
        }
        $answers = $carrier->handOver(array_map(Handover::of(...), $messages));
        $silent = array_filter($answers, fn (Answer $answer): bool => ! $answer->final);

        return $past + DB::transaction(function () use ($name, $lines, $carrier, $messages, $answers, $silent, $now): int {
            $this->note($name, $lines, $silent === [] ? null : reset($silent)->detail, count($silent) === count($answers), $now);

            return array_sum(array_map(
                fn (Message $message): int => (int) $this->store($message, $answers[(string) $message->key], $carrier, $now), $messages,
            ));
        });
    }

    /**
     * Takes texts for itself, one of each person's: what goes to one person goes in its order.
     *
     * @param  list<int>  $lines
     * @return list<Message> with their lines and rules
     */
    private function claim(array $lines, int $most, bool $takesKeys, \DateTimeImmutable $now): array
    {
        return DB::transaction(function () use ($lines, $most, $takesKeys, $now): array {
            $ready = $this->ready($lines)
                ->where(fn (Builder $due) => $due->whereNull('retry_at')->orWhere('retry_at', '<=', $now))
                ->where(fn (Builder $free) => $free->whereNull('leased_until')->orWhere('leased_until', '<', now()))
                ->orderBy('id')
                ->limit(4 * $most)
                ->get(['id', 'person_id', 'leased_until']);
            if ($ready->isEmpty()) {
                return [];
            }
            $cut = $takesKeys ? [] : array_values($ready->whereNotNull('leased_until')->pluck('id')->all());
            $this->cutOff($cut, $now);
            $ready = $ready->whereNotIn('id', $cut)->unique('person_id')->take($most);
            $people = PersonLocks::free(array_values($ready->pluck('person_id')->all()));
            $others = Message::query()->whereIn('person_id', $people)->where('leased_until', '>=', now())->pluck('person_id')->all();
            // Read again: meanwhile somebody else may have had one of them.
            $ids = $this->ready($lines)
                ->whereKey($ready->whereIn('person_id', array_diff($people, $others))->pluck('id')->all())
                ->where(fn (Builder $free) => $free->whereNull('leased_until')->orWhere('leased_until', '<', now()))
                ->orderBy('id')
                ->pluck('id');
            Message::query()->whereKey($ids)->update([
                'leased_by' => $this->me, 'leased_until' => now()->addSeconds($this->leaseSeconds),
            ]);

            return array_values(Message::query()->whereKey($ids)->with(['line', 'rule'])->orderBy('id')->get()->all());
        });
    }

    /**
     * @param  list<int>  $lines
     * @return Builder<Message>
     */
    private function ready(array $lines): Builder
    {
        return Message::query()->where('state', MessageState::Ready)->whereIn('line_id', $lines);
    }

    /** @param  array<int>  $ids of texts that were claimed and are not offered after all */
    private function release(array $ids): void
    {
        Message::query()->whereKey($ids)->where('leased_by', $this->me)->update(['leased_by' => null, 'leased_until' => null]);
    }

    /** @param  list<int>  $ids of texts that were offered to a carrier that knows no keys, whose answer is lost */
    private function cutOff(array $ids, \DateTimeImmutable $now): void
    {
        foreach (Message::query()->whereKey($ids)->orderBy('id')->get() as $message) {
            $reason = new Reason('carrier.cut_off');
            $message->update([
                'state' => MessageState::CutOff, 'reason' => $reason->toArray(), 'leased_by' => null, 'leased_until' => null,
                'status_at' => $now,
            ]);
            self::trace($message, $reason, $now);
        }
    }

    /**
     * What the carrier as a whole is like: nobody answered, or somebody did.
     *
     * @param  list<int>  $lines
     */
    private function note(string $carrier, array $lines, ?string $detail, bool $allSilent, \DateTimeImmutable $now): void
    {
        if ($allSilent) {
            Outage::goesOn($carrier, (string) $detail, $now);

            return;
        }
        $over = Outage::of($carrier);
        if ($over !== null) {
            if ($over->tries >= 3) {
                $since = Reason::moment($over->since->toDateTimeImmutable(), Business::ours()->zone);
                Trace::note(new Reason('carrier.answers_again', ['since' => $since]), $now, []);
            }
            $over->delete();
            $this->ready($lines)
                ->where('attempts', '>', 0)
                ->whereNull('reason')
                ->update(['retry_at' => null]);
        }
    }

    /**
     * Texts whose event is past, or that nobody took for too long, do not wait for the carrier to come back.
     *
     * @param  list<int>  $lines
     */
    private function lookThrough(array $lines, \DateTimeImmutable $now): int
    {
        $old = $this->ready($lines)
            // Not those whose lease ran out: they may have gone.
            ->whereNull('leased_until')
            ->where(
                fn (Builder $query) => $query
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

    private function store(Message $offered, Answer $answer, Carrier $carrier, \DateTimeImmutable $now): bool
    {
        // Read again: a receipt may have come in faster than the answer.
        $message = Message::query()->lockForUpdate()->findOrFail($offered->id);
        $free = $message->leased_by === $this->me ? ['leased_by' => null, 'leased_until' => null] : [];
        if ($message->state !== MessageState::Ready) {
            $message->update($free + ['carrier_ref' => $answer->ref ?? $message->carrier_ref, 'handed_at' => $message->handed_at ?? $now]);

            return true;
        }
        if (! $answer->isKnown && ! $carrier->takesKeys()) {
            $this->cutOff([$message->id], $now);

            return true;
        }
        $attempts = $message->attempts + 1;
        $said = $answer->said === '' ? null : $answer->said;
        if (! $answer->final) {
            $seconds = min(self::LONGEST_PAUSE, 2 ** min($attempts, 9));
            $again = $now->modify('+'.($seconds + (crc32("$message->id/$attempts") % $seconds)).' seconds');
            $message->update($free + ['attempts' => $attempts, 'retry_at' => max($again, $answer->until), 'carrier_said' => $said]);

            return false;
        }
        $message->update($free + ($answer->accepted
            ? [
                'state' => MessageState::Handed, 'carrier_ref' => $answer->ref, 'handed_at' => $now, 'attempts' => $attempts,
                'reason' => null, 'retry_at' => null, 'carrier_said' => $said,
            ]
            : ['attempts' => $attempts, 'carrier_said' => $said]));
        $answer->accepted
            ? $this->wake($message, $now)
            : self::fail($message, new Reason('carrier.refused', ['detail' => $answer->detail]), $now);

        return true;
    }

    /** It passed the gate, and nobody takes it: it never left, and what was to follow it is looked at anew. */
    public static function fail(Message $message, Reason $reason, \DateTimeImmutable $now): void
    {
        $message->neverLeft(MessageState::Failed, $reason, ['status_at' => $now, 'retry_at' => null]);
        self::trace($message, $reason, $now);
        self::lookAtRun($message, $now);
    }

    /** Somebody found out that a text whose hand-over was cut off has gone: its run goes on. */
    public function wentAfterAll(int $messageId): void
    {
        $now = $this->clock->now();
        DB::transaction(function () use ($messageId, $now): void {
            $message = Message::query()->whereKey($messageId)->where('state', MessageState::CutOff)->lockForUpdate()->first();
            if ($message !== null) {
                $message->update(['state' => MessageState::Handed, 'handed_at' => $now, 'reason' => null]);
                self::lookAtRun($message, $now);
            }
        });
    }

    /** Where a run had come to its next step before its text was taken, it has waited for it. */
    private function wake(Message $message, \DateTimeImmutable $now): void
    {
        if ($message->attempts > 1 || ($message->left_at !== null && $message->left_at->getTimestamp() + 30 < $now->getTimestamp())) {
            self::lookAtRun($message, $now);
        }
    }

    private static function trace(Message $message, Reason $reason, \DateTimeImmutable $now): void
    {
        Trace::note($reason, $now, [
            'person_id' => $message->person_id, 'rule_id' => $message->rule_id, 'run_id' => $message->run_id, 'message_id' => $message->id,
        ]);
    }

    private static function lookAtRun(Message $message, \DateTimeImmutable $now): void
    {
        if (
            $message->run_id !== null &&
            $message->origin === MessageOrigin::Rule &&
            Run::query()->whereKey($message->run_id)->where('live', true)->exists()
        ) {
            Timer::schedule(Timer::RUN, $message->run_id, $now);
        }
    }
}
