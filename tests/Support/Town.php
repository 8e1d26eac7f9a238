<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Engine\Outbox;
use App\Engine\Worker;
use Bench\Town as Simulated;
use Symfony\Component\Process\Process;

/** A town with its stand-ins at work, for one test. */
final class Town
{
    public readonly Standins $standins;

    public readonly string $url;

    private readonly Simulated $town;

    public function __construct()
    {
        $this->town = new Simulated('town', ['CACHE_STORE' => 'array', 'HAND_OVER_LEASE_SECONDS' => '1']);
        $this->town->serveStandins();
        $this->town->serve();
        $this->url = $this->town->url;
        $this->standins = new Standins($this->town->standinsUrl);
        // This process hands texts over and looks numbers up where the town's would.
        config([
            'queue.default' => 'database', 'linnet.carriers.main.url' => $this->town->env['CARRIER_URL'],
            'linnet.carriers.main.secret' => $this->town->env['CARRIER_SECRET'], 'linnet.lookup.url' => $this->town->env['LOOKUP_URL'],
            'linnet.lookup.secret' => $this->town->env['LOOKUP_SECRET'],
        ]);
    }

    public function clockTo(string $instant): void
    {
        $this->town->clockTo($instant);
    }

    /** The engine and the stand-ins do what there is to do until neither has anything left. */
    public function settle(): void
    {
        do {
            $this->workAndHandOver();
        } while ($this->standins->settle() > 0);
    }

    public function workAndHandOver(): void
    {
        [$worker, $outbox] = [resolve(Worker::class), resolve(Outbox::class)];
        while ($worker->round() + $outbox->deliver() > 0);
    }

    /** @param  list<string>  $options */
    public function worker(array $options, string $command = 'linnet:work'): Process
    {
        return new Process(['php', 'artisan', $command, ...$options], base_path(), $this->town->env, timeout: 600);
    }

    public function close(): void
    {
        $this->town->close();
    }
}
