<?php

declare(strict_types=1);

namespace Bench;

use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;

/**
 * Takes from a town what it lives on, for a while, and asks afterwards what is lost and what came twice: the database (locked, or its disk
 * full) and the carrier. The carrier's own ledger is the judge.
 */
final class Starvation
{
    private const BEGINS = '2026-03-02T10:00:00Z';

    private const STARVED = '2026-03-02T10:00:01Z';

    private function __construct(private readonly Town $town, private readonly int $texts)
    {
    }

    /**
     * A database that is locked for longer than every wait, while texts fall due.
     *
     * @return array{lost: int, twice: int, open: int, ended: int} and how many workers ended by themselves
     */
    public static function locked(int $texts, float $seconds): array
    {
        return self::in('locked', $texts, ['DB_BUSY_TIMEOUT' => '250'], function (self $one) use ($seconds): int {
            // The worker is at its work, and the texts fall due under the lock.
            $one->town->clockTo('2026-03-02T09:59:00Z');
            $workers = new Workers($one->town);
            for ($waited = 0; $waited < 200 && DB::table('signs')->count() < count(Workers::KINDS); $waited++) {
                usleep(50_000);
            }
            $lock = new \PDO("sqlite:{$one->town->env['DB_DATABASE']}", options: [\PDO::ATTR_TIMEOUT => 10]);
            $lock->exec('begin immediate');
            $one->town->clockTo(self::STARVED);
            // Held for three waits and some first: whoever gives up after two alone, and notes that in the moment it is let go, loses
            // texts.
            for ($began = microtime(true), $held = 880_000; microtime(true) - $began < $seconds; $held = mt_rand(300_000, 1_200_000)) {
                usleep($held);
                $lock->exec('rollback');
                usleep(mt_rand(5_000, 60_000));
                $lock->exec('begin immediate');
            }
            $lock->exec('rollback');

            return $one->finish($workers);
        });
    }

    /**
     * A disk that is full while texts fall due, with so much left on it.
     *
     * @return array{lost: int, twice: int, open: int, ended: int}
     */
    public static function full(int $texts, int $freeKilobytes, float $seconds): array
    {
        $disk = storage_path('framework/testing/disk-'.getmypid());
        is_dir($disk) || mkdir($disk, 0o700, true);
        $mounted = (new Process(['mount', '-t', 'tmpfs', '-o', 'size=16m', 'tmpfs', $disk]))->run() === 0;
        try {
            return self::in('full', $texts, ['DB_DATABASE' => "$disk/linnet.sqlite"], function (self $one) use (
                $disk, $mounted, $freeKilobytes, $seconds,
            ): int {
                DB::disconnect();
                // Without the right to mount, no file of the worker's may grow further than this.
                $limit = $mounted ? null : intdiv((int) filesize("$disk/linnet.sqlite"), 1024) + $freeKilobytes;
                if ($mounted) {
                    $free = (int) disk_free_space($disk) - $freeKilobytes * 1024;
                    file_put_contents("$disk/filler", str_repeat('x', max(0, $free)));
                }
                $workers = new Workers($one->town, 1, $limit);
                usleep((int) ($seconds * 1_000_000));
                $ended = $workers->ended();
                if ($mounted) {
                    unlink("$disk/filler");
                } else {
                    $workers->stop();
                    $workers = new Workers($one->town);
                }

                return $ended + $one->finish($workers);
            });
        } finally {
            array_map(unlink(...), glob("$disk/*") ?: []);
            $mounted && (new Process(['umount', $disk]))->run();
            @rmdir($disk);
        }
    }

    /**
     * A carrier that is away while texts fall due and for so many minutes after.
     *
     * @return array{lost: int, twice: int, open: int, ended: int}
     */
    public static function away(int $texts, int $minutes): array
    {
        return self::in('away', $texts, [], function (self $one) use ($minutes): int {
            for ($minute = 0; $minute <= $minutes; $minute += 11) {
                $one->town->clockTo(sprintf('2026-03-02T10:%02d:01Z', $minute));
                foreach (Workers::KINDS as $kind) {
                    $one->town->run(['php', 'artisan', $kind, '--until-idle']);
                }
            }
            $one->town->serveStandins();

            return $one->finish(new Workers($one->town), '2026-03-02T11:30:00Z');
        }, standins: false);
    }

    /**
     * @param  array<string, string>  $env
     * @param  \Closure(self): int  $starve  how many workers ended by themselves
     * @return array{lost: int, twice: int, open: int, ended: int}
     */
    private static function in(string $name, int $texts, array $env, \Closure $starve, bool $standins = true): array
    {
        $town = new Town("starved-$name", $env + ['CACHE_STORE' => 'array']);
        try {
            $standins && $town->serveStandins();
            Waiting::seed($texts, new \DateTimeImmutable(self::BEGINS));
            DB::disconnect();
            $town->clockTo(self::STARVED);
            $one = new self($town, $texts);
            $ended = $starve($one);

            return $one->compare() + ['ended' => $ended];
        } finally {
            $town->close();
        }
    }

    /**
     * Until all are with the carrier. The clock runs on: whom it was too busy for is asked again some seconds later.
     *
     * @return int how many had ended by themselves
     */
    private function finish(Workers $workers, string $from = self::STARVED): int
    {
        $this->town->clockRunsFrom($from);
        for ($waited = 0; $waited < 1200 && DB::table('messages')->where('state', 'handed')->count() < $this->texts; $waited++) {
            usleep(100_000);
        }
        $ended = $workers->ended();
        $workers->stop();

        return $ended;
    }

    /** @return array{lost: int, twice: int, open: int} open: those of which Linnet does not know that the carrier has them */
    private function compare(): array
    {
        /** @var list<array{to: string}> $ledger */
        $ledger = json_decode((string) file_get_contents("{$this->town->standinsUrl}/carrier/ledger"), true, 8, JSON_THROW_ON_ERROR);
        $times = array_count_values(array_column($ledger, 'to'));

        return [
            'lost' => count(
                array_diff_key(
                    DB::table('numbers')
                        ->where('person_id', '>', Waiting::FIRST)
                        ->where('person_id', '<=', Waiting::FIRST + $this->texts)
                        ->pluck('e164', 'e164')
                        ->all(),
                    $times,
                ),
            ),
            'twice' => count(array_filter($times, fn (int $n): bool => $n > 1)),
            'open' => $this->texts - DB::table('messages')->where('state', 'handed')->count(),
        ];
    }
}
