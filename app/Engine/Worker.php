<?php

declare(strict_types=1);

namespace App\Engine;

use App\Database\Trouble;
use App\Engine\Store\Claims;
use App\Jobs\OutboundTaskQueue;
use App\Models\PutAside;
use Psr\Clock\ClockInterface;

/** One round of the engine's loop. */
final readonly class Worker
{
    /** What fails so often by itself is put aside. */
    private const ALONE = 2;

    public function __construct(private ClockInterface $clock, private Runner $runner, private ScheduledTexts $byHand)
    {
    }

    /** @return int how much was done; 0 means there is nothing to do now */
    public function round(): int
    {
        $open = Claims::open($this->clock->now());
        $changes = $open['changes'] ? $this->attempt($this->runner->changes(...), PutAside::CHANGE) : 0;
        $timers = $open['timers'] ? $this->attempt($this->runner->timers(...), PutAside::TIMER) : 0;
        $pieces = $open['pieces'] ? $this->runner->piece() : 0;
        $byHand = $open['by_hand'] ? $this->attempt($this->byHand->sendDue(...), PutAside::SCHEDULED_TEXT) : 0;

        return $changes + $timers + $pieces + $byHand + OutboundTaskQueue::requeueLost();
    }

    /**
     * Together, or one by one where that fails. What fails by itself, alone, twice, is put aside and said, so that it does not hold up the
     * rest; a trouble of the database is nobody's fault, and all of it is done again when it is over.
     *
     * @param  \Closure(Batch): void  $work
     * @return int how many there were
     */
    private function attempt(\Closure $work, string $kind): int
    {
        $batch = new Batch;
        if ($this->failure($batch, $work) === null) {
            return count($batch->ids());
        }
        foreach ($batch->ids() as $id) {
            for ($tries = 0, $e = null; $tries < self::ALONE && ($tries === 0 || $e !== null); $tries++) {
                $e = $this->failure(new Batch([$id]), $work);
            }
            if ($e !== null) {
                report($e);
                PutAside::record($kind, $id, Trouble::says($e, 500), $this->clock->now());
            }
        }

        return count($batch->ids());
    }

    /** @param  \Closure(Batch): void  $work */
    private function failure(Batch $batch, \Closure $work): ?\Throwable
    {
        try {
            $work($batch);

            return null;
        } catch (\Throwable $e) {
            return Trouble::passes($e) ? throw $e : $e;
        }
    }
}
