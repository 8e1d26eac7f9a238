<?php

declare(strict_types=1);

namespace App\Engine;

use App\Models\Change;
use App\Models\Timer;
use App\Models\Trace;
use Illuminate\Database\QueryException;
use Linnet\Core\Reason;
use Psr\Clock\ClockInterface;

/** One round of the engine's loop. */
final readonly class Worker
{
    // Few, so that what is ready to leave never waits long behind what is still to be decided.
    private const AT_ONCE = 10;

    public function __construct(private ClockInterface $clock, private Runner $runner, private Outbox $outbox)
    {
    }

    /** @return int how much was done; 0 means there is nothing to do now */
    public function round(): int
    {
        $done = 0;
        foreach (Change::query()->where('handled', false)->orderBy('id')->limit(self::AT_ONCE)->pluck('id') as $id) {
            $this->attempt(fn () => $this->runner->change((int) $id), function () use ($id): void {
                Change::query()->whereKey($id)->update(['handled' => true]);
            }, ['record_id' => Change::query()->whereKey($id)->value('record_id')]);
            $done++;
        }
        foreach (Timer::query()->due($this->clock->now())->limit(self::AT_ONCE)->pluck('id') as $id) {
            $this->attempt(fn () => $this->runner->timer((int) $id), function () use ($id): void {
                Timer::query()->whereKey($id)->update(['due_at' => null]);
            }, []);
            $done++;
        }

        return $done + $this->outbox->deliver();
    }

    /**
     * What cannot be worked out is put aside and said, so that one of them does not hold up the rest.
     *
     * @param  array<string, mixed>  $about
     */
    private function attempt(\Closure $work, \Closure $putAside, array $about): void
    {
        try {
            $work();
        } catch (QueryException $e) {
            throw $e;
        } catch (\Throwable $e) {
            report($e);
            $putAside();
            Trace::note(new Reason('engine.put_aside', ['detail' => $e->getMessage()]), $this->clock->now(), $about);
        }
    }
}
