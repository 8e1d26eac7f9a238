<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\OutboundTask;
use App\Models\OutboundTaskKind;
use App\Models\OutboundTaskState;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** How tasks outside come into Laravel's queue, and back into it where they were lost. */
final class OutboundTaskQueue
{
    /** Overdue by so much, it is in no queue any more. */
    private const LOST_SECONDS = 300;

    /**
     * Notes a task once, and puts it into the queue once that is sure. Should the process end in between, it is found by being overdue.
     *
     * @param  array<array-key, mixed>  $body
     */
    public static function add(
        string $name,
        OutboundTaskKind $kind,
        string $address,
        array $body,
        ?int $ruleId,
        ?int $runId,
        ?int $personId,
        \DateTimeImmutable $now,
    ): void {
        $new = DB::table('outbound_tasks')->insertOrIgnore([
            'name' => $name, 'key' => (string) Str::uuid7(), 'kind' => $kind->value, 'address' => $address,
            'body' => json_encode($body, JSON_THROW_ON_ERROR), 'state' => OutboundTaskState::Waiting->value, 'rule_id' => $ruleId,
            'run_id' => $runId, 'person_id' => $personId, 'at' => $now->format('Y-m-d H:i:s'),
            'due_at' => now()->utc()->format('Y-m-d H:i:s'),
        ]);
        if ($new === 1) {
            RunOutboundTask::dispatch((int) DB::table('outbound_tasks')->where('name', $name)->value('id'))->afterCommit();
        }
    }

    /** Those that were lost on their way to the queue, or in it, go there again. @return int how many */
    public static function requeueLost(): int
    {
        $lost = OutboundTask::query()
            ->where('state', OutboundTaskState::Waiting)
            ->where('due_at', '<', now()->subSeconds(self::LOST_SECONDS))
            ->orderBy('id')
            ->limit(100)
            ->toBase()
            ->pluck('due_at', 'id');
        $found = 0;
        foreach ($lost as $id => $due) {
            // Claimed: two workers must not both put it there.
            if (
                OutboundTask::query()
                    ->whereKey($id)
                    ->where('state', OutboundTaskState::Waiting)
                    ->where('due_at', $due)
                    ->update(['due_at' => now()]) === 1
            ) {
                RunOutboundTask::dispatch((int) $id);
                $found++;
            }
        }

        return $found;
    }
}
