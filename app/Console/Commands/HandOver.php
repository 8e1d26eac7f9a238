<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Engine\Loop;
use App\Engine\Outbox;
use App\Models\Sign;
use Illuminate\Console\Command;

/** Hands texts over to the carriers, in a loop of its own: a carrier that hangs holds up nothing but itself. */
final class HandOver extends Command
{
    protected $signature = 'linnet:hand-over
        {--until-idle : Stop when there is nothing left to do now}
        {--rest=200 : Milliseconds to rest when there is nothing to do}';

    protected $description = 'Hand over to the carriers what has passed the gate; as many beside one another as you like';

    public function handle(Outbox $outbox): int
    {
        $loop = new Loop(Sign::HAND_OVER, (int) $this->option('rest'), (bool) $this->option('until-idle'));
        $this->trap([SIGTERM, SIGINT], $loop->end(...));
        $loop->run($outbox->deliver(...));

        return self::SUCCESS;
    }
}
