<?php

declare(strict_types=1);

namespace Bench\Commands;

use Bench\KilledWorkers;
use Bench\Kills;
use Bench\Starvation;
use Illuminate\Console\Command;

/** Kills the worker at random instants while many texts fall due, and asks the carrier's own ledger whether each came exactly once. */
final class Torture extends Command
{
    protected $signature = 'linnet:torture
        {--texts=50000 : How many texts fall due}
        {--kills=200 : How often the worker is killed}
        {--workers=2 : How many of each kind are at work}
        {--seed=1 : Decides the instants}
        {--carrier=both : One that knows “keys”, one that knows “none”, or “both”}
        {--starve : Take the database, its disk and the carrier away, and kill every other kind of process}';

    protected $description = 'Kill workers again and again, and compare with the carrier’s ledger';

    public function handle(): int
    {
        if ($this->input->getOption('starve')) {
            return $this->starve();
        }
        mt_srand((int) $this->input->getOption('seed'));
        $bad = 0;
        $carriers = match ($this->input->getOption('carrier')) {
            'both' => [true, false],
            'keys' => [true],
            'none' => [false],
            default => [],
        };
        if ($carriers === []) {
            $this->error('--carrier takes keys, none or both.');

            return self::INVALID;
        }
        foreach ($carriers as $keys) {
            $bad += $this->kill((int) $this->input->getOption('texts'), (int) $this->input->getOption('kills'), $keys);
        }

        return $bad === 0 ? self::SUCCESS : self::FAILURE;
    }

    /** @return int how much went wrong */
    private function kill(int $texts, int $kills, bool $keys): int
    {
        $tortured = KilledWorkers::over(
            $texts, $kills, (int) $this->input->getOption('workers'), $keys,
            fn (int $killed, int $handed) => $this->line(sprintf('%d kills, %d of %d texts with the carrier', $killed, $handed, $texts)),
        );
        $this->line(
            sprintf(
                '%d texts, %d kills, a carrier that knows %s: %d lost, %d twice, %d offered anew under their key, %d cut off and left to somebody',
                $texts, $kills, $keys ? 'keys' : 'no keys', $tortured['lost'], $tortured['twice'], $tortured['anew'], $tortured['cut'],
            ),
        );

        return $tortured['lost'] + $tortured['twice'];
    }

    /**
     * Whole: a database locked for longer than every wait, a disk with ever less on it, a carrier away for an hour, every kind of worker
     * killed.
     */
    private function starve(): int
    {
        $tried = ['a database locked for 24 seconds' => fn (): array => Starvation::locked(800, 24.0)];
        foreach ([0, 4, 8, 16, 32, 48, 64, 96, 128, 160, 192, 256, 320, 384, 512, 768] as $free) {
            $tried["a disk with $free KB left"] = fn (): array => Starvation::full(400, $free, 4.0);
        }
        $tried['a carrier away for an hour'] = fn (): array => Starvation::away(800, 55);
        $tried['the intake killed 40 times'] = fn (): array => Kills::intake(40_000, 40);
        $tried['the queue killed 40 times'] = fn (): array => Kills::queue(2000, 40);
        $tried['the door killed 100 times'] = fn (): array => Kills::door(500, 100);
        $bad = 0;
        foreach ($tried as $what => $try) {
            ['lost' => $lost, 'twice' => $twice, 'open' => $open, 'ended' => $ended] = $try() + ['open' => 0, 'ended' => 0];
            $this->line(sprintf('%-36s %d lost, %d twice, %d still open, %d workers ended', $what, $lost, $twice, $open, $ended));
            $bad += $lost + $twice + $open + $ended;
        }

        return $bad === 0 ? self::SUCCESS : self::FAILURE;
    }
}
