<?php

declare(strict_types=1);

namespace App\Inbound;

use App\Intake\ChangeOrigin;
use App\Intake\ChangeRow;
use App\Models\Business;
use App\Models\ChangeKind;
use App\Models\ForecastMark;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\Trace;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Reason;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Change\ReportedStatus;
use Linnet\Core\Record\Health;

/** What follows from a text's fate: rules may act on it, and a line with too many failures is paused before carriers shut it down. */
final readonly class DeliveryStatusHandler
{
    /** @param  bool  $nobodys  nobody has the number: no more texts go to it until one comes from it */
    public function failed(Message $message, bool $nobodys, \DateTimeImmutable $now): void
    {
        if (
            $nobodys &&
            DB::table('numbers')
                ->where('e164', $message->number)
                ->where(fn ($some) => $some->whereNull('alive')->orWhere('alive', true))
                ->update(['alive' => false, 'looked_up_at' => $now]) === 1
        ) {
            ForecastMark::leave([$message->person_id]);
            Trace::note(new Reason('lookup.told_dead', ['number' => Numbers::pretty((string) $message->number)]), $now, [
                'person_id' => $message->person_id,
                'message_id' => $message->id,
            ]);
        }
        if ($message->origin === MessageOrigin::Rule) {
            $this->recordChange($message, $message->held_against ? ReportedStatus::Undeliverable : ReportedStatus::Failed, $now);
        }
        $this->checkHealth(Line::query()->lockForUpdate()->findOrFail($message->line_id), $now);
    }

    public function linkOpened(Message $message, \DateTimeImmutable $now): void
    {
        $this->recordChange($message, ReportedStatus::LinkOpened, $now);
    }

    private function recordChange(Message $message, ReportedStatus $fate, \DateTimeImmutable $now): void
    {
        DB::table('changes')->insert(
            ChangeRow::of(
                ChangeKind::StatusReported, null, $message->person_id, null, [], ChangeOrigin::carrier(), $now,
                array_filter([
                    'fate' => $fate->value,
                    'rule' => $message->rule?->key,
                ]),
            ) + ['message_id' => $message->id],
        );
    }

    private function checkHealth(Line $line, \DateTimeImmutable $now): void
    {
        $limits = Business::ours()->gatePolicy()->health;
        $last = DB::table('messages')->where('line_id', $line->id)->whereNotNull('status_at')->where('id', '>', $line->well_since_message)
            ->orderByDesc('status_at')->limit($limits->lookAt)->pluck('held_against');
        $health = new Health($last->count(), $last->filter(fn (mixed $held): bool => (bool) $held)->count());
        $line->update(['attempts' => $health->attempts, 'failed' => $health->failed]);
        if ($limits->pauses($health) && $line->power === ActivationState::On) {
            $reason = new Reason('line.paused', ['line' => $line->name, 'failed' => $health->failed, 'of' => $health->attempts]);
            $line->update(['power' => ActivationState::Paused, 'problem' => $reason->toArray()]);
            Trace::note($reason, $now, []);
        }
    }
}
