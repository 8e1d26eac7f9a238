<?php

declare(strict_types=1);

namespace Bench;

use Symfony\Component\Process\Process;

/** The processes that do the engine's work in a town, some of each kind. */
final class Workers
{
    public const KINDS = ['linnet:work', 'linnet:hand-over'];

    /** @var list<array{kind: string, process: Process}> */
    private array $workers = [];

    /** @param  int|null  $fileKilobytes  no file of theirs may grow beyond */
    public function __construct(private readonly Town $town, int $each = 1, private readonly ?int $fileKilobytes = null)
    {
        foreach (self::KINDS as $kind) {
            for ($i = 0; $i < $each; $i++) {
                $this->workers[] = ['kind' => $kind, 'process' => $this->start($kind)];
            }
        }
    }

    /** Kills one of them where it stands, and starts another in its place. */
    public function killOne(int $which): void
    {
        ['kind' => $kind, 'process' => $process] = $this->workers[$which % count($this->workers)];
        $process->isRunning() && $process->signal(SIGKILL);
        while ($process->isRunning()) {
            usleep(1000);
        }
        $this->workers[$which % count($this->workers)]['process'] = $this->start($kind);
    }

    /** @return int how many have ended by themselves */
    public function ended(): int
    {
        return count(array_filter($this->workers, fn (array $worker): bool => ! $worker['process']->isRunning()));
    }

    /** @param  float  $grace  seconds they have to end by themselves */
    public function stop(float $grace = 5): void
    {
        foreach ($this->workers as ['process' => $process]) {
            $process->isRunning() && $process->signal(SIGTERM);
        }
        foreach ($this->workers as ['process' => $process]) {
            $process->stop($grace);
        }
    }

    private function start(string $kind): Process
    {
        $command = ['php', 'artisan', $kind, '--rest=20'];
        $process = new Process(
            $this->fileKilobytes === null
                ? $command
                : ['bash', '-c', "trap '' XFSZ; ulimit -f $this->fileKilobytes; exec \"\$@\"", 'limited', ...$command],
            base_path(),
            $this->town->env,
            timeout: null,
        );
        $process->disableOutput()->start();

        return $process;
    }
}
