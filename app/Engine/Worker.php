<?php

declare(strict_types=1);

namespace App\Engine;

use App\Engine\Live\LiveRuns;
use App\Models\Change;
use App\Models\Timer;
use App\Models\Trace;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Reason;
use Linnet\Core\Rehearsal\Rehearsal;
use Psr\Clock\ClockInterface;

/** One round of the engine's loop. */
final readonly class Worker
{
    public function __construct(private ClockInterface $clock, private Runner $runner, private Calendars $calendars, private Outbox $outbox)
    {
    }

    /** @return int how much was done; 0 means there is nothing to do now */
    public function round(): int
    {
        $changes = array_values(array_map(intval(...), DB::table('changes')->where('handled', false)->orderBy('id')->limit(Rehearsal::AT_ONCE)->pluck('id')->all()));
        $this->attempt($changes, $this->runner->changes(...), function (int $id): void {
            Change::query()->whereKey($id)->update(['handled' => true]);
        });
        $timers = array_values(array_map(intval(...), DB::table('timers')->where('due_at', '<=', LiveRuns::at($this->clock->now()))->orderBy('due_at')->orderBy('id')->limit(Rehearsal::AT_ONCE)->pluck('id')->all()));
        $this->attempt($timers, $this->runner->timers(...), function (int $id): void {
            Timer::query()->whereKey($id)->update(['due_at' => null]);
        });

        return count($changes) + count($timers) + $this->calendars->piece() + $this->outbox->deliver();
    }

    /**
     * Together, or one by one where that fails: what cannot be worked out is put aside and said, so that it does not hold up the rest.
     *
     * @param  list<int>  $ids
     * @param  \Closure(list<int>): void  $work
     * @param  \Closure(int): void  $putAside
     */
    private function attempt(array $ids, \Closure $work, \Closure $putAside): void
    {
        try {
            $ids === [] || $work($ids);
        } catch (QueryException $e) {
            throw $e;
        } catch (\Throwable) {
            foreach ($ids as $id) {
                try {
                    $work([$id]);
                } catch (QueryException $e) {
                    throw $e;
                } catch (\Throwable $e) {
                    report($e);
                    $putAside($id);
                    Trace::note(new Reason('engine.put_aside', ['detail' => $e->getMessage()]), $this->clock->now(), []);
                }
            }
        }
    }
}
