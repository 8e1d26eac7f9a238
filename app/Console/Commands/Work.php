<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Engine\Worker;
use Illuminate\Console\Command;
use Illuminate\Database\DetectsConcurrencyErrors;
use Illuminate\Database\QueryException;

final class Work extends Command
{
    use DetectsConcurrencyErrors;

    protected $signature = 'linnet:work
        {--until-idle : Stop when there is nothing left to do now}
        {--rest=200 : Milliseconds to rest when there is nothing to do}';

    protected $description = "The engine's loop: takes changes and due timers, and hands texts over to the carrier";

    public function handle(Worker $worker): int
    {
        $going = true;
        $this->trap([SIGTERM, SIGINT], function () use (&$going): void {
            $going = false;
        });
        while ($going) {
            $done = $this->round($worker);
            if ($done === 0 && $this->option('until-idle')) {
                break;
            }
            if ($done === 0) {
                usleep(1000 * (int) $this->option('rest'));
            }
        }

        return self::SUCCESS;
    }

    /** A database that is busy for longer than we wait is no reason to end: nothing was done, and it is done the next time. */
    private function round(Worker $worker): int
    {
        try {
            return $worker->round();
        } catch (QueryException $e) {
            if (! $this->causedByConcurrencyError($e)) {
                throw $e;
            }
            report($e);

            // There is something left to do.
            return 1;
        }
    }
}
