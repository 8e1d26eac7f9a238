<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Database\SaidIndex;
use App\Engine\Loop;
use App\Intake\IntakeWorker;
use App\Models\Sign;
use Illuminate\Console\Command;

/** Takes in what takes long: files, watched addresses, deliveries taken again. End it at any moment, and start it again. */
final class Ingest extends Command
{
    protected $signature = 'linnet:ingest {--until-idle : End when there is nothing left to do}';

    /** What it was called before. @var list<string> */
    protected $aliases = ['linnet:take-in'];

    protected $description = 'Take in files, watched addresses and replays';

    public function handle(IntakeWorker $worker): int
    {
        $loop = new Loop(Sign::INTAKE, 250, (bool) $this->option('until-idle'));
        $this->trap([SIGTERM, SIGINT], $loop->end(...));
        // And what was said becomes findable: whoever looks for it takes in the rest.
        $loop->run(fn (): int => $worker->round() + SaidIndex::catchUp());

        return self::SUCCESS;
    }
}
