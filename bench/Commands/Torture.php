<?php

declare(strict_types=1);

namespace Bench\Commands;

use Bench\Kills;
use Bench\Starvation;
use Bench\Town;
use Bench\Waiting;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;

/** Kills the worker at random instants while many texts fall due, and asks the carrier's own ledger whether each came exactly once. */
final class Torture extends Command
{
    protected $signature = 'linnet:torture
        {--texts=50000 : How many texts fall due}
        {--kills=200 : How often the worker is killed}
        {--seed=1 : Decides the instants}
        {--starve : Take the database, its disk and the carrier away, and kill every other kind of process}';

    protected $description = 'Kill the worker again and again, and compare with the carrier’s ledger';

    public function handle(): int
    {
        if ($this->input->getOption('starve')) {
            return $this->starve();
        }
        [$texts, $kills] = [(int) $this->input->getOption('texts'), (int) $this->input->getOption('kills')];
        mt_srand((int) $this->input->getOption('seed'));
        $town = new Town('torture', ['PHP_CLI_SERVER_WORKERS' => '4']);
        try {
            $town->serveStandins();
            Waiting::fill($texts, new \DateTimeImmutable('2026-03-02T10:00:00Z'));
            $town->clockRunsFrom('2026-03-02T10:00:01Z');
            for ($killed = 0; $killed < $kills; $killed++) {
                $worker = $this->worker($town);
                // As many texts between two kills as are left for each, so that the kills fall over the whole.
                $aim = (int) ($texts * ($killed + 1) / ($kills + 1));
                for ($waited = 0; $waited < 600 && $this->handed() < $aim; $waited++) {
                    usleep(20_000);
                }
                usleep(mt_rand(0, 60_000));
                $worker->signal(SIGKILL);
                while ($worker->isRunning()) {
                    usleep(1000);
                }
                if (($killed + 1) % 20 === 0) {
                    $this->line(sprintf('%d kills, %d of %d texts with the carrier', $killed + 1, $this->handed(), $texts));
                }
            }
            $this->finish($town, $texts);

            return $this->compare($town, $texts);
        } finally {
            $town->close();
        }
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
        $tried['the intake killed 40 times'] = fn (): array => Kills::intake(40_000, 40) + ['ended' => 0];
        $tried['the queue killed 40 times'] = fn (): array => Kills::queue(2000, 40) + ['ended' => 0];
        $tried['the door killed 100 times'] = fn (): array => Kills::door(500, 100) + ['ended' => 0];
        $bad = 0;
        foreach ($tried as $what => $try) {
            ['lost' => $lost, 'twice' => $twice, 'ended' => $ended] = $try();
            $this->line(sprintf('%-36s %d lost, %d twice, %d workers ended', $what, $lost, $twice, $ended));
            $bad += $lost + $twice + $ended;
        }

        return $bad === 0 ? self::SUCCESS : self::FAILURE;
    }

    private function worker(Town $town): Process
    {
        $worker = new Process(['php', 'artisan', 'linnet:work', '--rest=2'], base_path(), $town->env, timeout: null);
        $worker->disableOutput()->start();

        return $worker;
    }

    private function finish(Town $town, int $texts): void
    {
        $worker = $this->worker($town);
        for (
            $still = 0, $last = -1;
            $still < 500 && ($now = $this->handed()) < $texts;
            $still = $now === $last ? $still + 1 : 0, $last = $now
        ) {
            usleep(50_000);
        }
        $worker->stop(5);
    }

    private function handed(): int
    {
        return DB::table('messages')->where('state', 'handed')->count();
    }

    private function compare(Town $town, int $texts): int
    {
        /** @var list<array{to: string, offered: int}> $ledger */
        $ledger = json_decode((string) file_get_contents("$town->standinsUrl/carrier/ledger"), true, 8, JSON_THROW_ON_ERROR);
        $times = array_count_values(array_column($ledger, 'to'));
        $twice = count(array_filter($times, fn (int $n): bool => $n > 1));
        $lost = count(array_diff_key(DB::table('numbers')->where('person_id', '>', Waiting::FIRST)->pluck('e164', 'e164')->all(), $times));
        $anew = array_sum(array_map(fn (array $text): int => $text['offered'] - 1, $ledger));
        $this->line("$texts texts: $lost lost, $twice twice; offered anew under the same key $anew times.");

        return $lost === 0 && $twice === 0 ? self::SUCCESS : self::FAILURE;
    }
}
