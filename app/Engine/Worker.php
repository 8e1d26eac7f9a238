<?php

declare(strict_types=1);

namespace App\Engine;

use App\Database\Trouble;
use App\Engine\Store\DatabaseRunStore;
use App\Jobs\OutboundTaskQueue;
use App\Models\PutAside;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Rehearsal\Rehearsal;
use Psr\Clock\ClockInterface;

/** One round of the engine's loop. */
final readonly class Worker
{
    /** What fails so often by itself is put aside. */
    private const ALONE = 2;

    public function __construct(private ClockInterface $clock, private Runner $runner, private Calendars $calendars, private Outbox $outbox)
    {
    }

    /** @return int how much was done; 0 means there is nothing to do now */
    public function round(): int
    {
        $changes = array_values(
            array_map(
                intval(...),
                DB::table('changes')->where('handled', false)->orderBy('id')->limit(Rehearsal::AT_ONCE)->pluck('id')->all(),
            ),
        );
        $this->attempt($changes, $this->runner->changes(...), PutAside::CHANGE);
        $timers = array_values(
            array_map(
                intval(...),
                DB::table('timers')
                    ->where('due_at', '<=', DatabaseRunStore::at($this->clock->now()))
                    ->orderBy('due_at')
                    ->orderBy('id')
                    ->limit(Rehearsal::AT_ONCE)
                    ->pluck('id')
                    ->all(),
            ),
        );
        $this->attempt($timers, $this->runner->timers(...), PutAside::TIMER);

        return count($changes) + count($timers) + $this->calendars->piece() + $this->outbox->deliver() + OutboundTaskQueue::requeueLost();
    }

    /**
     * Together, or one by one where that fails. What fails by itself, alone, twice, is put aside and said, so that it does not hold up the
     * rest; a trouble of the database is nobody's fault, and all of it is done again when it is over.
     *
     * @param  list<int>  $ids
     * @param  \Closure(list<int>): void  $work
     */
    private function attempt(array $ids, \Closure $work, string $kind): void
    {
        if ($ids === [] || $this->failure($ids, $work) === null) {
            return;
        }
        foreach ($ids as $id) {
            for ($tries = 0, $e = null; $tries < self::ALONE && ($tries === 0 || $e !== null); $tries++) {
                $e = $this->failure([$id], $work);
            }
            if ($e !== null) {
                report($e);
                PutAside::keep($kind, $id, $e->getMessage(), $this->clock->now());
            }
        }
    }

    /**
     * @param  list<int>  $ids
     * @param  \Closure(list<int>): void  $work
     */
    private function failure(array $ids, \Closure $work): ?\Throwable
    {
        try {
            $work($ids);

            return null;
        } catch (\Throwable $e) {
            return Trouble::passes($e) ? throw $e : $e;
        }
    }
}
