<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Engine\Loop;
use App\Forecast\Forecaster;
use App\Models\Sign;
use Illuminate\Console\Command;

/** Works out what lies ahead, in a loop of its own: however much there is of it, no text waits for it. */
final class Forecast extends Command
{
    /** Whether what holds for everybody has changed is asked so often. */
    private const ASKS_EVERY_SECONDS = 2;

    protected $signature = 'linnet:forecast
        {--until-idle : Stop when there is nothing left to do now}
        {--rest=500 : Milliseconds to rest when there is nothing to do}';

    protected $description = 'Keep what lies ahead as things stand; several beside one another stand in for one another';

    public function handle(Forecaster $forecaster): int
    {
        $untilIdle = (bool) $this->option('until-idle');
        $loop = new Loop(Sign::FORECAST, (int) $this->option('rest'), $untilIdle);
        $this->trap([SIGTERM, SIGINT], $loop->end(...));
        $asked = 0;
        $loop->run(function () use ($forecaster, $untilIdle, &$asked): int {
            $asks = $untilIdle || $asked + self::ASKS_EVERY_SECONDS <= time();
            $asked = $asks ? time() : $asked;

            return $forecaster->round($asks);
        });
        $forecaster->rest();

        return self::SUCCESS;
    }
}
