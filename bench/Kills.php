<?php

declare(strict_types=1);

namespace Bench;

use App\Intake\Imports;
use App\Jobs\OutboundTaskQueue;
use App\Models\Import;
use App\Models\ImportState;
use App\Models\OutboundTaskKind;
use App\Models\Staff;
use Database\Seeders\DatabaseSeeder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Symfony\Component\Process\Process;

/** Each kind of process killed at random instants while there is work for it. The engine's own worker is killed by linnet:torture. */
final class Kills
{
    private function __construct()
    {
    }

    /**
     * Whoever takes files in.
     *
     * @return array{lost: int, twice: int}
     */
    public static function intake(int $rows, int $kills): array
    {
        return self::in('intake', [], function (Town $town) use ($rows, $kills): array {
            $file = "$town->folder/rows.csv";
            file_put_contents($file, "Ref,First name\n".implode('', array_map(fn (int $i): string => "R$i,Row$i\n", range(1, $rows))));
            $import = resolve(Imports::class)->open($file, 'rows.csv', Staff::query()->firstOrFail(), null);
            $import->update([
                'mapping' => [
                    'type' => 'person', 'country' => 'GB', 'zone' => 'Europe/London',
                    'person' => ['external_id' => ['at' => 'Ref'], 'first_name' => ['at' => 'First name']], 'fields' => [],
                ],
            ]);
            unlink($file);
            resolve(Imports::class)->start($import, true);
            for ($i = 0; $i < $kills; $i++) {
                $worker = $town->start(['php', 'artisan', 'linnet:ingest']);
                usleep(mt_rand(200_000, 700_000));
                self::kill($worker);
            }
            $town->run(['php', 'artisan', 'linnet:ingest', '--until-idle']);
            $import = Import::query()->findOrFail($import->id);
            @unlink($import->table());
            if ($import->state !== ImportState::Done) {
                throw new \RuntimeException("The file is {$import->state->value}: ".json_encode($import->problem));
            }
            $there = DB::table('external_ids')->where('external_id', 'like', 'R%');
            $known = $there->clone()->distinct()->count('external_id');

            return [
                'lost' => $rows - $known,
                'twice' => $there->count() - $known + DB::table('people')->where('first_name', 'like', 'Row%')->count() - $known,
            ];
        });
    }

    /**
     * Whoever does what goes out. A post may come again, and then under the same key.
     *
     * @return array{lost: int, twice: int}
     */
    public static function queue(int $posts, int $kills): array
    {
        $port = Town::freePort();

        return self::in(
            'queue',
            ['QUEUE_CONNECTION' => 'database', 'DB_QUEUE_RETRY_AFTER' => '1', 'ALLOWED_PRIVATE_HOSTS' => "127.0.0.1:$port"],
            function (Town $town) use ($posts, $kills, $port): array {
                $came = "$town->folder/came.txt";
                touch($came);
                file_put_contents(
                    "$town->folder/takes.php",
                    '<?php file_put_contents('.
                        var_export($came, true).
                        ', file_get_contents("php://input")." ".$_SERVER["HTTP_IDEMPOTENCY_KEY"]."\n", FILE_APPEND | LOCK_EX);',
                );
                $town->start(['php', '-S', "127.0.0.1:$port", "$town->folder/takes.php"]);
                config(['queue.default' => 'database']);
                for ($i = 1; $i <= $posts; $i++) {
                    OutboundTaskQueue::add(
                        "killed/$i", OutboundTaskKind::Post, "http://127.0.0.1:$port/take", ['n' => $i], null, null, null,
                        new \DateTimeImmutable('2026-03-02T10:00:00Z'),
                    );
                }
                $left = fn (): int => DB::table('outbound_tasks')->where('state', 'waiting')->count();
                for ($killed = 0; $killed <= $kills; $killed++) {
                    $worker = $town->start(['php', 'artisan', 'queue:work', '--sleep=0.1']);
                    for (
                        $aim = (int) (($posts * ($kills - $killed)) / ($kills + 1)), $waited = 0;
                        $waited < 1500 && $left() > $aim;
                        $waited++
                    ) {
                        usleep(20_000);
                    }
                    usleep(mt_rand(0, 30_000));
                    self::kill($worker);
                }
                $keys = [];
                foreach (file($came, FILE_IGNORE_NEW_LINES) ?: [] as $line) {
                    [$body, $key] = explode(' ', $line);
                    $keys[$body][$key] = true;
                }

                return [
                    'lost' => $posts - count($keys) + $left(),
                    'twice' => count(array_filter($keys, fn (array $of): bool => count($of) > 1)),
                ];
            },
        );
    }

    /**
     * The door, while deliveries come in: each is sent again until it is answered, as senders do.
     *
     * @return array{lost: int, twice: int}
     */
    public static function door(int $deliveries, int $kills): array
    {
        return self::in('door', [], function (Town $town) use ($deliveries, $kills): array {
            $writer = $town->serve();
            for ($i = $killed = 0; $i < $deliveries; $i++) {
                $call = [
                    'ref' => "K$i", 'cli' => sprintf('+44787%07d', $i), 'ddi' => '+447700900101', 't0' => 1772445580000,
                    'ring' => ['ms' => 1], 'why_unanswered' => 'rang out',
                ];
                if (intdiv(($i + 1) * $kills, $deliveries) > $killed) {
                    // It meets its end somewhere between the first byte and the answer.
                    $sender = $town->start([
                        'php', '-r',
                        'file_get_contents($argv[1], false, stream_context_create(["http" => ["method" => "POST", "content" => $argv[2], "header" => ["Content-Type: application/json", "Authorization: Bearer $argv[3]"]]]));',
                        "$town->url/in/phone", json_encode($call, JSON_THROW_ON_ERROR), DatabaseSeeder::PHONE_SECRET,
                    ]);
                    usleep(mt_rand(20_000, 140_000));
                    self::kill($writer);
                    $sender->wait();
                    $writer = $town->serve();
                    $killed++;
                }
                Http::withToken(DatabaseSeeder::PHONE_SECRET)->timeout(30)->post("$town->url/in/phone", $call)->throw();
            }
            $calls = DB::table('records')->where('external_id', 'like', 'K%');
            $known = $calls->clone()->distinct()->count('external_id');

            return [
                'lost' => $deliveries - min($known, DB::table('deliveries')->count()),
                'twice' => $calls->count() - $known + DB::table('changes')->where('kind', 'record_added')->count() - $known,
            ];
        });
    }

    /**
     * @param  array<string, string>  $env
     * @param  \Closure(Town): array{lost: int, twice: int}  $kills
     * @return array{lost: int, twice: int}
     */
    private static function in(string $name, array $env, \Closure $kills): array
    {
        $town = new Town("killed-$name", $env + ['CACHE_STORE' => 'array']);
        try {
            return $kills($town);
        } finally {
            $town->close();
        }
    }

    private static function kill(Process $one): void
    {
        $one->isRunning() && $one->signal(SIGKILL);
        $one->wait();
    }
}
