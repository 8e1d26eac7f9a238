<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Carrier\NumberLookup;
use App\Engine\Runner;
use App\Models\Errand;
use App\Models\ErrandKind;
use App\Models\ErrandState;
use App\Models\Number;
use App\Models\Trace;
use App\Outside\Mailbox;
use App\Outside\Poster;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Mail\Message;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\Mail;
use Linnet\Core\Reason;
use Psr\Clock\ClockInterface;

/** Does one errand outside; tries again with growing pauses, and says so where it gives up. */
final class RunErrand implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public int $tries = 6;

    public function __construct(public readonly int $id)
    {
    }

    /** @return list<int> seconds before each further try, the jitter by the errand's number */
    public function backoff(): array
    {
        return array_map(fn (int $seconds): int => $seconds + crc32("$this->id/$seconds") % max(1, intdiv($seconds, 2)), [4, 15, 60, 300, 1800]);
    }

    public function handle(ClockInterface $clock, NumberLookup $lookup, Poster $poster, Runner $runner): void
    {
        $errand = Errand::query()->find($this->id);
        if ($errand === null) {
            // Said at the end, should it not come: its person may have been erased.
            throw new \RuntimeException("errand $this->id is not there");
        }
        // Claimed: one that was put into the queue twice is done once.
        $mine = Errand::query()->whereKey($errand->id)->where('state', ErrandState::Waiting)->where('attempts', $errand->attempts)->update(['attempts' => $errand->attempts + 1, 'due_at' => $this->nextTry()]);
        if ($mine !== 1) {
            return;
        }
        $errand->refresh();
        if ($errand->kind === ErrandKind::Email && ! Mailbox::isThere()) {
            $this->giveUp($errand, new Reason('errand.no_mail'), $clock->now());

            return;
        }
        match ($errand->kind) {
            ErrandKind::Email => $this->email($errand),
            ErrandKind::Post => $poster->post($errand->address, $errand->body, $errand->key),
            ErrandKind::LookUp => $this->lookUp($errand, $lookup, $clock->now()),
        };
        $errand->update(['state' => ErrandState::Done, 'done_at' => $clock->now(), 'reason' => null]);
        $this->goOn($errand, $runner);
    }

    public function failed(\Throwable $why): void
    {
        $errand = Errand::query()->find($this->id);
        $now = resolve(ClockInterface::class)->now();
        if ($errand === null) {
            report($why);
            Trace::note(new Reason('errand.missing', ['errand' => $this->id]), $now, []);
        } elseif ($errand->state === ErrandState::Waiting) {
            $this->giveUp($errand, new Reason('errand.given_up', ['attempts' => $errand->attempts, 'detail' => rtrim($why->getMessage(), '.')]), $now);
        }
    }

    private function giveUp(Errand $errand, Reason $reason, \DateTimeImmutable $now): void
    {
        $errand->update(['state' => ErrandState::GivenUp, 'done_at' => $now, 'reason' => $reason->toArray()]);
        Trace::note($reason, $now, ['person_id' => $errand->person_id, 'rule_id' => $errand->rule_id, 'run_id' => $errand->run_id]);
        $this->goOn($errand, resolve(Runner::class));
    }

    /** When the queue will have tried it once more, should this try fail. */
    private function nextTry(): \DateTimeInterface
    {
        return now()->addSeconds($this->backoff()[min(4, max(0, $this->attempts() - 1))]);
    }

    private function email(Errand $errand): void
    {
        Mail::raw((string) ($errand->body['words'] ?? ''), function (Message $mail) use ($errand): void {
            $mail->to($errand->address)->subject((string) ($errand->body['subject'] ?? ''));
        });
    }

    private function lookUp(Errand $errand, NumberLookup $lookup, \DateTimeImmutable $now): void
    {
        $number = Number::query()->firstWhere('e164', $errand->address);
        if ($number === null || ! $lookup->isThere()) {
            throw new \RuntimeException($number === null ? 'the number is nobody’s any more' : 'no number look-up is set up');
        }
        $reason = $lookup->ask($number, $now);
        if ($reason->code === 'lookup.failed') {
            throw new \RuntimeException(is_string($reason->with['detail'] ?? null) ? $reason->with['detail'] : '');
        }
        Trace::note($reason, $now, ['person_id' => $number->person_id, 'rule_id' => $errand->rule_id, 'run_id' => $errand->run_id]);
    }

    /** The run may have waited for it. */
    private function goOn(Errand $errand, Runner $runner): void
    {
        if ($errand->kind === ErrandKind::LookUp && $errand->run_id !== null) {
            $runner->look($errand->run_id);
        }
    }
}
