<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Message;
use App\Models\MessageState;
use Database\Seeders\DatabaseSeeder;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Linnet\Core\Record\Facts;
use Linnet\Core\Text\Length as TextLength;
use Linnet\Core\Text\Template\Renderer;
use Linnet\Core\Text\Template\Template;
use Symfony\Component\Process\Process;

/** The figures Linnet is held to, as far as they are built, measured on this machine with databases of their own. */
final class Bench extends Command
{
    private const CHANGES = 60;

    private const ROUNDS = 20_000;

    protected $signature = 'linnet:bench';

    protected $description = 'Measure what Linnet is held to';

    /** @var list<Process> */
    private array $processes = [];

    public function handle(): int
    {
        $this->row('what', 'measured', 'goal');
        [$length, $render] = $this->lengthAndRender();
        $this->row('length of one text', sprintf('%.1f µs', $length), 'under 20 µs');
        $this->row('render of one text', sprintf('%.1f µs', $render), 'under 20 µs');
        [$p50, $p95] = $this->changeToCarrier();
        $this->row('change over HTTP to carrier hand-over, idle', sprintf('p50 %d ms, p95 %d ms', $p50, $p95), 'p95 under 1000 ms');
        $this->row('memory of this process', sprintf('%.0f MiB', memory_get_peak_usage(true) / 1048576), '');

        return $length < 20 && $render < 20 && $p95 < 1000 ? self::SUCCESS : self::FAILURE;
    }

    /** @return array{float, float} microseconds each, the median of five rounds */
    private function lengthAndRender(): array
    {
        $text = 'Osier Quay Boathouse: Hello Ana, you’re booked for the beginners’ lesson with Tom on Saturday 14 March, 10:00 [quay 2]. Reply Y to keep it.';
        $template = Template::parse('Hello {{ first_name | or: "there" }}, your lesson is {{ booking.starts_at | as: "relative day" }} at {{ booking.starts_at | as: "time" }}. Bring a towel.');
        $facts = Facts::fromJson(['first_name' => 'Ana', 'booking' => ['starts_at' => ['at' => '2026-03-14T10:00:00Z', 'zone' => 'Europe/London']]]);
        $renderer = new Renderer($facts, new \DateTimeImmutable('2026-03-13T10:00:00Z'), 'America/Toronto', 'en_GB');

        return [$this->median(fn () => TextLength::of($text)), $this->median(fn () => $renderer->render($template))];
    }

    private function median(\Closure $work): float
    {
        $rounds = [];
        for ($round = 0; $round < 5; $round++) {
            $began = hrtime(true);
            for ($i = 0; $i < self::ROUNDS; $i++) {
                $work();
            }
            $rounds[] = (hrtime(true) - $began) / self::ROUNDS / 1000;
        }
        sort($rounds);

        return $rounds[2];
    }

    /**
     * Posts missed calls, one at a time, to an idle system of web, worker and stand-in carrier, each a process of its own.
     *
     * @return array{float, float} milliseconds from the posting to the carrier having it, median and 95th percentile
     */
    private function changeToCarrier(): array
    {
        $folder = storage_path('framework/testing/bench-'.getmypid());
        mkdir($folder, 0o755, true);
        touch("$folder/linnet.sqlite");
        [$web, $standins] = [$this->freePort(), $this->freePort()];
        $env = [
            'APP_ENV' => 'demo', 'APP_URL' => "http://127.0.0.1:$web", 'CARRIER_URL' => "http://127.0.0.1:$standins/carrier", 'CARRIER_SECRET' => 'bench',
            'DB_DATABASE' => "$folder/linnet.sqlite", 'STANDINS_DATABASE' => "$folder/standins.sqlite", 'STANDINS_URL' => "http://127.0.0.1:$standins",
            'CLOCK_FILE' => 'framework/testing/'.basename($folder).'/clock.json', 'APP_KEY' => 'base64:'.base64_encode(random_bytes(32)),
        ];
        file_put_contents("$folder/clock.json", '{"base":"2026-03-02T10:00:00Z","since":null}');
        try {
            (new Process(['php', 'artisan', 'migrate', '--force', '--seed', '--seeder='.DatabaseSeeder::class], base_path(), $env))->mustRun();
            (new Process(['php', 'standins/run', 'migrate', '--fresh'], base_path(), $env))->mustRun();
            $this->start(['php', '-S', "127.0.0.1:$web", base_path('vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php')], $env, public_path());
            $this->start(['php', '-S', "127.0.0.1:$standins", '-t', 'public', 'standins/index.php'], $env);
            $this->start(['php', 'artisan', 'linnet:work'], $env);
            config(['database.connections.sqlite.database' => $env['DB_DATABASE']]);
            DB::purge();
            $this->waitFor($web);
            $this->waitFor($standins);

            return $this->post($env['APP_URL']);
        } finally {
            array_map(fn (Process $process) => $process->stop(1), $this->processes);
            DB::disconnect();
            array_map(unlink(...), glob("$folder/*") ?: []);
            rmdir($folder);
        }
    }

    /** @return array{float, float} */
    private function post(string $url): array
    {
        $times = [];
        for ($i = 0; $i < self::CHANGES; $i++) {
            // Let the worker come to rest, at another point of its rest each time.
            usleep(250_000 + crc32("bench $i") % 200_000);
            $began = hrtime(true);
            Http::withToken(DatabaseSeeder::PHONE_SECRET)->post("$url/in/phone", [
                'ref' => "B$i", 'cli' => sprintf('+4477009005%02d', $i), 'ddi' => '+447700900101', 't0' => 1772445580000, 'ring' => ['ms' => 1], 'why_unanswered' => 'rang out',
            ])->throw();
            while (Message::query()->where('state', MessageState::Handed)->count() <= $i) {
                usleep(2000);
                if (hrtime(true) - $began > 10e9) {
                    throw new \RuntimeException('A text was not handed over within ten seconds.');
                }
            }
            $times[] = (hrtime(true) - $began) / 1e6;
        }
        sort($times);

        return [$times[intdiv(count($times), 2)], $times[(int) ceil(count($times) * 0.95) - 1]];
    }

    /**
     * @param  list<string>  $command
     * @param  array<string, string>  $env
     */
    private function start(array $command, array $env, ?string $folder = null): void
    {
        $process = new Process($command, $folder ?? base_path(), $env, timeout: null);
        $process->disableOutput()->start();
        $this->processes[] = $process;
    }

    private function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('No free port.');
        $name = (string) stream_socket_get_name($socket, false);
        fclose($socket);

        return (int) substr($name, (int) strrpos($name, ':') + 1);
    }

    private function waitFor(int $port): void
    {
        for ($i = 0; $i < 100 && @file_get_contents("http://127.0.0.1:$port/up") === false; $i++) {
            usleep(50_000);
        }
    }

    private function row(string $what, string $measured, string $goal): void
    {
        $this->line(sprintf('%-46s %-28s %s', $what, $measured, $goal));
    }
}
