<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Engine\Loop;
use App\Models\Sign;
use App\Rehearsals\Rehearser;
use Illuminate\Console\Command;

/** Carries out rehearsals over what happened, in a loop of its own: however long one takes, no text waits for it. */
final class Rehearsals extends Command
{
    protected $signature = 'linnet:rehearsals
        {--until-idle : Stop when there is nothing left to do now}
        {--rest=500 : Milliseconds to rest when there is nothing to do}';

    protected $description = 'Carry out rehearsals over past days; several share them';

    public function handle(Rehearser $rehearser): int
    {
        $loop = new Loop(Sign::REHEARSALS, (int) $this->option('rest'), (bool) $this->option('until-idle'));
        $ends = false;
        $this->trap([SIGTERM, SIGINT], function () use ($loop, &$ends): void {
            $ends = true;
            $loop->end();
        });
        $loop->run(fn (): int => $rehearser->round(function () use (&$ends): bool {
            Sign::leave(Sign::REHEARSALS);

            return $ends;
        }));

        return self::SUCCESS;
    }
}
