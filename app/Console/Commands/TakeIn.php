<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Intake\IntakeWorker;
use Illuminate\Console\Command;
use Illuminate\Database\DetectsConcurrencyErrors;
use Illuminate\Database\QueryException;

/** Takes in what takes long: files, watched addresses, deliveries taken again. End it at any moment, and start it again. */
final class TakeIn extends Command
{
    use DetectsConcurrencyErrors;

    protected $signature = 'linnet:take-in {--until-idle : End when there is nothing left to do}';

    protected $description = 'Take in files, watched addresses and replays';

    private bool $going = true;

    public function handle(IntakeWorker $worker): int
    {
        $this->trap([SIGTERM, SIGINT], function (): void {
            $this->going = false;
        });
        while ($this->going) {
            if ($this->round($worker) === 0) {
                if ($this->option('until-idle')) {
                    break;
                }
                usleep(250_000);
            }
        }

        return self::SUCCESS;
    }

    /** A database that is busy for longer than we wait is no reason to end. */
    private function round(IntakeWorker $worker): int
    {
        try {
            return $worker->round();
        } catch (QueryException $e) {
            report($this->causedByConcurrencyError($e) ? $e : throw $e);

            return 1;
        }
    }
}
