<?php

declare(strict_types=1);

namespace App\Engine\Store;

use App\Models\Business;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Engine\Conductor;
use Linnet\Core\Engine\ContextFactory;
use Linnet\Core\Engine\EffectHandler;
use Linnet\Core\Engine\Hearing;
use Linnet\Core\Engine\OutboundMessages;
use Linnet\Core\Engine\Scheduler;

/** One transaction's work: what it has read, what it will write, and the engine at work on it. */
final class UnitOfWork
{
    public readonly DatabaseBusinessReader $reader;

    public readonly DatabaseRunStore $runs;

    public readonly DatabaseMessageStore $texts;

    public readonly ContextFactory $contexts;

    public readonly OutboundMessages $outbound;

    public readonly EffectHandler $effects;

    public readonly Conductor $conductor;

    public readonly DatabaseTimerStore $timers;

    public readonly Scheduler $scheduler;

    private function __construct(public readonly \DateTimeImmutable $now, Business $business, DatabaseSideEffects $sideEffects)
    {
        $justLeft = new JustLeft($now);
        $this->reader = new DatabaseBusinessReader($now, $business, $justLeft);
        $this->runs = new DatabaseRunStore($this->reader, $now);
        $this->texts = new DatabaseMessageStore($this->reader, $this->runs, $now, $justLeft);
        $this->contexts = new ContextFactory($this->reader);
        $this->outbound = new OutboundMessages($this->reader, $this->texts, $this->contexts);
        $this->effects = new EffectHandler($this->reader, $this->runs, $this->texts, $sideEffects->with($this->runs), $this->outbound);
        $this->conductor = new Conductor($this->reader, $this->runs, $this->contexts, $this->outbound, $this->effects);
        $this->timers = new DatabaseTimerStore($this->reader, $this->runs, $this->texts);
        $this->scheduler = new Scheduler($this->reader, $this->timers, $this->outbound, $this->conductor);
    }

    /**
     * Does some work in one transaction; all of it lands, or nothing.
     *
     * @template T
     *
     * @param  \Closure(self): T  $work
     * @param  list<int>  $people  whom it is about, where that is known before: nobody else is at them meanwhile
     * @return T
     */
    public static function transaction(\DateTimeImmutable $now, DatabaseSideEffects $sideEffects, \Closure $work, array $people = []): mixed
    {
        return DB::transaction(function () use ($now, $sideEffects, $work, $people): mixed {
            PersonLocks::wait($people);
            $unit = new self($now, Business::ours(), $sideEffects);
            $done = $work($unit);
            $unit->flush();

            return $done;
        });
    }

    /**
     * For looking alone: nothing is written.
     *
     * @param  Business|null  $business  where it is not the one this request has found
     */
    public static function reading(\DateTimeImmutable $now, DatabaseSideEffects $sideEffects, ?Business $business = null): self
    {
        return new self($now, $business ?? Business::current(), $sideEffects);
    }

    public function hearing(): Hearing
    {
        return new Hearing($this->reader, $this->runs, $this->texts, $this->reader->words());
    }

    public function flush(): void
    {
        $this->runs->flushRuns();
        $this->texts->flush();
        $this->runs->flush();
    }
}
