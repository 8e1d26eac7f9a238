<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Conversations\ReplyNotices;
use App\Counts\AccountOffsets;
use App\Engine\Loop;
use App\Engine\ReleasePrompts;
use App\Engine\Worker;
use App\Models\Business;
use App\Models\Sign;
use Illuminate\Console\Command;
use Psr\Clock\ClockInterface;

final class Work extends Command
{
    protected $signature = 'linnet:work
        {--until-idle : Stop when there is nothing left to do now}
        {--rest=200 : Milliseconds to rest when there is nothing to do}';

    protected $description = "The engine's loop: takes changes and due timers; as many beside one another as you like";

    /** Whether somebody has to be asked to let texts go, or told of a reply, is looked at so often. */
    private const PROMPTS_EVERY_SECONDS = 30;

    public function handle(Worker $worker, ReleasePrompts $prompts, ReplyNotices $replies, ClockInterface $clock): int
    {
        $prompted = 0;
        $isSure = false;
        $loop = new Loop(Sign::ENGINE, (int) $this->option('rest'), (bool) $this->option('until-idle'));
        $this->trap([SIGTERM, SIGINT], $loop->end(...));
        $loop->run(function () use ($worker, $prompts, $replies, $clock, &$isSure, &$prompted): int {
            // Counts are by the day of the business: should its clock have become another, they are counted anew.
            $isSure = $isSure || AccountOffsets::isFor(Business::ours()->zone) || $this->callSilently('linnet:recount') === self::SUCCESS;

            if ($prompted + self::PROMPTS_EVERY_SECONDS <= time()) {
                $prompted = time();
                $prompts->send();
                $replies->sendDue($clock->now());
            }

            return $worker->round();
        });

        return self::SUCCESS;
    }
}
