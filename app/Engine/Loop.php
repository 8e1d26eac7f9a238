<?php

declare(strict_types=1);

namespace App\Engine;

use App\Database\CommitWatch;
use App\Database\Trouble;
use App\Models\Sign;
use Illuminate\Database\LostConnectionDetector;
use Illuminate\Support\Facades\DB;

/**
 * A worker that goes round until it is told to end. Where there is nothing to do it rests, until its time is over or somebody has written
 * something. Nothing that fails in a round ends it: it rests a while, and goes round again.
 */
final class Loop
{
    /** So often it is asked, at rest, whether somebody has written. */
    private const STEP_MS = 20;

    /** After 1, 2, 4 … seconds, so often at least. */
    private const LONGEST_PAUSE = 30;

    private bool $goes = true;

    private readonly CommitWatch $watch;

    public function __construct(private readonly string $worker, private readonly int $restMs, private readonly bool $untilIdle)
    {
        $this->watch = new CommitWatch;
    }

    public function end(): void
    {
        $this->goes = false;
    }

    /** @param  \Closure(): int  $round  how much was done; 0 means there is nothing to do now */
    public function run(\Closure $round): void
    {
        for ($failed = 0; $this->goes;) {
            try {
                Sign::leave($this->worker);
                // What is written from here on may have come too late for this round.
                $this->watch->hasChanged();
                $done = $round();
                $failed = 0;
            } catch (\Throwable $e) {
                if ($this->untilIdle && ! Trouble::passes($e)) {
                    throw $e;
                }
                $this->report($e);
                $this->sleep(1000 * min(self::LONGEST_PAUSE, 2 ** min($failed++, 5)));

                continue;
            }
            if ($done === 0 && $this->untilIdle) {
                return;
            }
            if ($done === 0) {
                $this->rest();
            }
        }
    }

    private function rest(): void
    {
        try {
            for ($rested = 0; $rested < $this->restMs && $this->goes; $rested += self::STEP_MS) {
                usleep(1000 * self::STEP_MS);
                if ($this->watch->hasChanged()) {
                    return;
                }
            }
        } catch (\Throwable) {
            // The round that follows says what is wrong with the database.
        }
    }

    /** Where even the log cannot be written, as on a full disk, it is said on the screen alone. */
    private function report(\Throwable $e): void
    {
        try {
            report($e);
        } catch (\Throwable) {
            fwrite(STDERR, get_class($e).': '.$e->getMessage()."\n");
        }
        try {
            // Whatever was left open is over; a connection that is lost is made anew.
            while (DB::transactionLevel() > 0) {
                DB::rollBack();
            }
            if ((new LostConnectionDetector)->causedByLostConnection($e)) {
                DB::reconnect();
            }
            Sign::leave($this->worker, $e);
        } catch (\Throwable) {
            DB::disconnect();
        }
    }

    /** In small steps, so that an end is heard. */
    private function sleep(int $ms): void
    {
        for ($slept = 0; $slept < $ms && $this->goes; $slept += 100) {
            usleep(1000 * min(100, $ms - $slept));
        }
    }
}
