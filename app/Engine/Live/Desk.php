<?php

declare(strict_types=1);

namespace App\Engine\Live;

use App\Models\Business;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Engine\Conductor;
use Linnet\Core\Engine\Doing;
use Linnet\Core\Engine\Hearing;
use Linnet\Core\Engine\Run;
use Linnet\Core\Engine\Sending;
use Linnet\Core\Engine\Surroundings;

/** One transaction's work: what it has read, what it will write, and the engine at work on it. */
final class Desk
{
    public readonly LiveKnown $known;

    public readonly LiveRuns $runs;

    public readonly LiveTexts $texts;

    public readonly Surroundings $surroundings;

    public readonly Sending $sending;

    public readonly Conductor $conductor;

    private function __construct(public readonly \DateTimeImmutable $now, Business $business, LiveDeeds $deeds)
    {
        $this->known = new LiveKnown($now, $business);
        $this->runs = new LiveRuns($this->known, $now);
        $this->texts = new LiveTexts($this->known, $this->runs, $now);
        $this->known->justLeft = $this->texts->justLeft(...);
        $this->surroundings = new Surroundings($this->known);
        $this->sending = new Sending($this->known, $this->texts, $this->surroundings);
        $this->conductor = new Conductor($this->known, $this->runs, $this->surroundings, $this->sending, new Doing($this->known, $this->runs, $this->texts, $deeds->at($this), $this->sending));
    }

    /**
     * Does some work in one transaction; all of it lands, or nothing.
     *
     * @template T
     *
     * @param  \Closure(self): T  $work
     * @return T
     */
    public static function work(\DateTimeImmutable $now, LiveDeeds $deeds, \Closure $work): mixed
    {
        return DB::transaction(function () use ($now, $deeds, $work): mixed {
            $desk = new self($now, Business::ours(), $deeds);
            $done = $work($desk);
            $desk->flush();

            return $done;
        });
    }

    /** For looking alone: nothing is written. */
    public static function reading(\DateTimeImmutable $now, LiveDeeds $deeds): self
    {
        return new self($now, Business::ours(), $deeds);
    }

    public function hearing(): Hearing
    {
        return new Hearing($this->known, $this->runs, $this->texts, $this->known->words());
    }

    /** Reads together what the runs at hand will ask about. */
    public function preload(): void
    {
        $runs = $this->runs->all();
        $people = array_values(array_unique(array_map(fn (Run $run): int => $run->personId(), $runs)));
        $this->known->preload($people);
        $this->known->preloadRecords(array_values(array_unique(array_filter(array_map(fn (Run $run): ?int => $run->subject->recordId, $runs)))));
        $this->texts->preload($runs);
        $this->texts->preloadPeople($people);
    }

    public function flush(): void
    {
        $this->texts->flush();
        $this->runs->flush();
    }
}
