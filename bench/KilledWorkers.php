<?php

declare(strict_types=1);

namespace Bench;

use GuzzleHttp\Client;
use Illuminate\Support\Facades\DB;

/**
 * Workers of each kind at work side by side, one of them killed at random instants again and again. The carrier's own ledger is the judge:
 * with keys, a text that was offered twice is there once; without, what was offered twice is there twice.
 */
final class KilledWorkers
{
    /**
     * @param  int  $each  how many of each kind
     * @param  \Closure(int, int): mixed  $tell  how often was killed, and how many texts are with the carrier
     * @return array{lost: int, twice: int, anew: int, cut: int} texts: that the carrier never had, that it had twice, that were offered
     *                                                           anew, and whose hand-over was cut off and is left to somebody
     */
    public static function over(int $texts, int $kills, int $each, bool $keys, \Closure $tell): array
    {
        $town = new Town('torture', [
            'PHP_CLI_SERVER_WORKERS' => '4', 'CARRIER_TAKES_KEYS' => $keys ? 'true' : 'false', 'CARRIER_TIMEOUT_SECONDS' => '4',
            'HAND_OVER_LEASE_SECONDS' => '6',
        ]);
        try {
            $town->serveStandins();
            $keys || (new Client)->post("$town->standinsUrl/manners/no_keys", ['json' => ['on' => true]]);
            Waiting::seed($texts, new \DateTimeImmutable('2026-03-02T10:00:00Z'));
            $town->clockRunsFrom('2026-03-02T10:00:01Z');
            $workers = new Workers($town, $each);
            for ($killed = 0; $killed < $kills; $killed++) {
                // As many texts between two kills as are left for each, so that the kills fall over the whole.
                $aim = (int) ($texts * ($killed + 1) / ($kills + 1));
                for ($waited = 0; $waited < 600 && self::settled() < $aim; $waited++) {
                    usleep(20_000);
                }
                usleep(mt_rand(0, 60_000));
                $workers->killOne(mt_rand(0, 1_000_000));
                ($killed + 1) % 20 === 0 && $tell($killed + 1, self::settled());
            }
            for (
                $still = 0, $last = -1;
                $still < 400 && ($now = self::settled()) < $texts;
                $still = $now === $last ? $still + 1 : 0, $last = $now
            ) {
                usleep(50_000);
            }
            $workers->stop();

            return self::compare($town);
        } finally {
            $town->close();
        }
    }

    private static function settled(): int
    {
        return DB::table('messages')->whereIn('state', ['handed', 'cut_off', 'arrived'])->count();
    }

    /** @return array{lost: int, twice: int, anew: int, cut: int} */
    private static function compare(Town $town): array
    {
        /** @var list<array{to: string, offered: int}> $ledger */
        $ledger = json_decode((string) file_get_contents("$town->standinsUrl/carrier/ledger"), true, 8, JSON_THROW_ON_ERROR);
        $times = array_count_values(array_column($ledger, 'to'));
        $cut = DB::table('messages')->where('state', 'cut_off')->pluck('number', 'number')->all();
        $wanted = DB::table('numbers')->where('person_id', '>', Waiting::FIRST)->pluck('e164', 'e164')->all();

        return [
            // What was cut off may have gone or not: that is why somebody is asked.
            'lost' => count(array_diff_key($wanted, $times, $cut)),
            'twice' => count(array_filter($times, fn (int $n): bool => $n > 1)),
            'anew' => (int) array_sum(array_map(fn (array $text): int => $text['offered'] - 1, $ledger)),
            'cut' => count($cut),
        ];
    }
}
