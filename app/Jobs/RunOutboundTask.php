<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Carrier\Carriers;
use App\Carrier\Handover;
use App\Carrier\NumberLookup;
use App\Models\Line;
use App\Models\Number;
use App\Models\OutboundTask;
use App\Models\OutboundTaskKind;
use App\Models\OutboundTaskState;
use App\Models\Timer;
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

/** Does one task outside; tries again with growing pauses, and says so where it gives up. */
final class RunOutboundTask implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public int $tries = 6;

    public function __construct(public readonly int $id)
    {
    }

    /** @return list<int> seconds before each further try, the jitter by the task's number */
    public function backoff(): array
    {
        return array_map(fn (int $seconds): int => $seconds + (crc32("$this->id/$seconds") % max(1, intdiv($seconds, 2))), [
            4, 15, 60, 300, 1800,
        ]);
    }

    public function handle(ClockInterface $clock, NumberLookup $lookup, Poster $poster, Carriers $carriers): void
    {
        $task = OutboundTask::query()->find($this->id);
        if ($task === null) {
            // Said at the end, should it not come: its person may have been erased.
            throw new \RuntimeException("task $this->id is not there");
        }
        // Claimed: one that was put into the queue twice is done once.
        $mine = OutboundTask::query()
            ->whereKey($task->id)
            ->where('state', OutboundTaskState::Waiting)
            ->where('attempts', $task->attempts)
            ->update(['attempts' => $task->attempts + 1, 'due_at' => $this->nextTry()]);
        if ($mine !== 1) {
            return;
        }
        $task->refresh();
        if ($task->kind === OutboundTaskKind::Email && ! Mailbox::isThere()) {
            $this->giveUp($task, new Reason('outbound_task.no_mail'), $clock->now());

            return;
        }
        match ($task->kind) {
            OutboundTaskKind::Email => $this->email($task),
            OutboundTaskKind::Post => $poster->post($task->address, $task->body, $task->key),
            OutboundTaskKind::LookUp => $this->lookUp($task, $lookup, $clock->now()),
            OutboundTaskKind::Text => $this->text($task, $carriers),
        };
        $task->update(['state' => OutboundTaskState::Done, 'done_at' => $clock->now(), 'reason' => null]);
        $this->goOn($task, $clock->now());
    }

    public function failed(\Throwable $why): void
    {
        $task = OutboundTask::query()->find($this->id);
        $now = resolve(ClockInterface::class)->now();
        if ($task === null) {
            report($why);
            Trace::note(new Reason('outbound_task.missing', ['task' => $this->id]), $now, []);
        } elseif ($task->state === OutboundTaskState::Waiting) {
            $this->giveUp(
                $task,
                new Reason('outbound_task.given_up', ['attempts' => $task->attempts, 'detail' => rtrim($why->getMessage(), '.')]),
                $now,
            );
        }
    }

    private function giveUp(OutboundTask $task, Reason $reason, \DateTimeImmutable $now): void
    {
        $task->update(['state' => OutboundTaskState::GivenUp, 'done_at' => $now, 'reason' => $reason->toArray()]);
        Trace::note($reason, $now, ['person_id' => $task->person_id, 'rule_id' => $task->rule_id, 'run_id' => $task->run_id]);
        $this->goOn($task, $now);
    }

    /** When the queue will have tried it once more, should this try fail. */
    private function nextTry(): \DateTimeInterface
    {
        return now()->addSeconds($this->backoff()[min(4, max(0, $this->attempts() - 1))]);
    }

    private function email(OutboundTask $task): void
    {
        Mail::raw((string) ($task->body['words'] ?? ''), function (Message $mail) use ($task): void {
            $mail->to($task->address)->subject((string) ($task->body['subject'] ?? ''));
            is_string($task->body['reply_to'] ?? null) && $mail->replyTo($task->body['reply_to']);
        });
    }

    /** Under its own key, however often it is tried: the carrier takes it once. */
    private function text(OutboundTask $task, Carriers $carriers): void
    {
        $line = Line::query()->findOrFail((int) ($task->body['line'] ?? 0));
        $text = new Handover($task->key, $line->number ?? $line->name, $task->address, (string) ($task->body['words'] ?? ''));
        $answer = $carriers->of($line->carrier)->handOver([$text])[$task->key];
        $answer->accepted || throw new \RuntimeException($answer->detail);
    }

    private function lookUp(OutboundTask $task, NumberLookup $lookup, \DateTimeImmutable $now): void
    {
        $number = Number::query()->firstWhere('e164', $task->address);
        if ($number === null || ! $lookup->isThere()) {
            throw new \RuntimeException($number === null ? 'the number is nobody’s any more' : 'no number look-up is set up');
        }
        $reason = $lookup->lookUp($number, $now);
        if ($reason->code === 'lookup.failed') {
            throw new \RuntimeException(is_string($reason->with['detail'] ?? null) ? $reason->with['detail'] : '');
        }
        Trace::note($reason, $now, ['person_id' => $number->person_id, 'rule_id' => $task->rule_id, 'run_id' => $task->run_id]);
    }

    /** The run may have waited for it. */
    private function goOn(OutboundTask $task, \DateTimeImmutable $now): void
    {
        if ($task->kind === OutboundTaskKind::LookUp && $task->run_id !== null) {
            Timer::schedule(Timer::RUN, $task->run_id, $now);
        }
    }
}
