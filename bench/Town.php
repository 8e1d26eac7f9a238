<?php

declare(strict_types=1);

namespace Bench;

use Demo\MovableClock;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use Symfony\Component\Process\Process;

/**
 * Linnet and its stand-ins as they run in earnest, each process of its own, with databases, ports and a clock of their own, for one
 * measurement or test. Whoever makes it looks into the same database.
 */
final class Town
{
    public readonly string $folder;

    public readonly string $url;

    public readonly string $standinsUrl;

    /** @var array<string, string> */
    public readonly array $env;

    /** The file, or the name, of a database that was migrated and seeded and then left alone: once for each process. */
    private static ?string $seeded = null;

    /** @var list<Process> */
    private array $processes = [];

    /** @param  array<string, string>  $env  settings that differ */
    public function __construct(string $name, array $env = [])
    {
        $name = "$name-".getmypid();
        $this->folder = storage_path("framework/testing/$name");
        if (! is_dir($this->folder)) {
            mkdir($this->folder, 0o755, true);
        }
        $this->clockTo('2026-03-02T10:00:00Z');
        $this->url = 'http://127.0.0.1:'.self::freePort();
        $this->standinsUrl = 'http://127.0.0.1:'.self::freePort();
        $this->env = $env + [
            'APP_ENV' => 'demo', 'LINNET_PROVIDERS' => 'Demo\DemoServiceProvider,Bench\BenchServiceProvider',
            'APP_KEY' => 'base64:'.base64_encode(str_repeat('k', 32)), 'APP_URL' => $this->url, 'LOG_CHANNEL' => 'null',
            'SESSION_DRIVER' => 'file',
            'DB_DATABASE' => $this->database($name), 'STANDINS_DATABASE' => "$this->folder/standins.sqlite",
            'CLOCK_FILE' => "framework/testing/$name/clock.json", 'CARRIER_URL' => "$this->standinsUrl/carrier", 'CARRIER_SECRET' => 'town',
            'LOOKUP_URL' => "$this->standinsUrl/lookup", 'LOOKUP_SECRET' => 'town', 'STANDINS_URL' => $this->standinsUrl,
            'APP_CONFIG_CACHE' => "$this->folder/config.php", 'APP_ROUTES_CACHE' => "$this->folder/routes.php",
        ];
        self::$seeded ??= $this->seed();
        self::isOnPostgres()
            ? self::create($this->env['DB_DATABASE'], 'template '.self::$seeded)
            : copy(self::$seeded, $this->env['DB_DATABASE']);
        config([
            'database.connections.'.config()->string('database.default').'.database' => $this->env['DB_DATABASE'],
            'demo.clock_file' => $this->env['CLOCK_FILE'],
            'app.key' => $this->env['APP_KEY'],
        ]);
        app()->forgetInstance('encrypter');
        app()->forgetInstance(ClockInterface::class);
        DB::purge();
        DB::table('sources')->where('key', 'racks')->update(['address' => "$this->standinsUrl/racks.csv"]);
    }

    private function seed(): string
    {
        $pid = getmypid();
        $seeded = self::isOnPostgres() ? "seeded_$pid" : storage_path("framework/testing/seeded-$pid.sqlite");
        if (self::isOnPostgres()) {
            self::create($seeded);
        } else {
            touch($seeded);
            register_shutdown_function(fn () => array_map(unlink(...), glob("$seeded*") ?: []));
        }
        (new Process(
            ['php', 'artisan', 'migrate', '--force', '--seed'], base_path(), ['DB_DATABASE' => $seeded] + $this->env, timeout: 600,
        ))->mustRun();

        return $seeded;
    }

    private static function create(string $name, string $like = ''): void
    {
        config(['database.connections.pgsql.database' => 'postgres']);
        DB::purge();
        DB::statement("drop database if exists $name with (force)");
        DB::statement("create database $name $like");
    }

    private static function isOnPostgres(): bool
    {
        return config()->string('database.default') === 'pgsql';
    }

    /** The file, or the name, of a database that is nobody else's. */
    private function database(string $name): string
    {
        return self::isOnPostgres() ? str_replace('-', '_', $name) : "$this->folder/linnet.sqlite";
    }

    public function clockTo(string $instant): void
    {
        $clock = $this->clock();
        $clock->stop();
        $clock->moveTo(new \DateTimeImmutable($instant));
    }

    public function clockRunsFrom(string $instant): void
    {
        $this->clockTo($instant);
        $this->clock()->run();
    }

    private function clock(): MovableClock
    {
        return new MovableClock("$this->folder/clock.json");
    }

    /** Settings and routes are put together once, not by every request. */
    public function cacheSettings(): void
    {
        $this->run(['php', 'artisan', 'config:cache']);
        $this->run(['php', 'artisan', 'route:cache']);
    }

    public function serve(): Process
    {
        $port = (string) parse_url($this->url, PHP_URL_PORT);
        $server = $this->start(
            ['php', '-S', "127.0.0.1:$port", base_path('vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php')],
            public_path(),
        );
        self::waitFor($this->url);

        return $server;
    }

    public function serveStandins(): void
    {
        $port = (string) parse_url($this->standinsUrl, PHP_URL_PORT);
        $this->run(['php', 'standins/run', 'migrate', '--fresh']);
        $this->start(['php', '-S', "127.0.0.1:$port", '-t', 'public', 'standins/index.php']);
        self::waitFor($this->standinsUrl);
    }

    /** @param  list<string>  $command */
    public function start(array $command, ?string $folder = null): Process
    {
        // In a group of its own: a server's children end with it.
        $process = new Process(['setsid', ...$command], $folder ?? base_path(), $this->env, timeout: null);
        $process->disableOutput()->start();

        return $this->processes[] = $process;
    }

    /**
     * Until it has ended.
     *
     * @param  list<string>  $command
     */
    public function run(array $command): void
    {
        (new Process($command, base_path(), $this->env, timeout: 600))->mustRun();
    }

    public function close(): void
    {
        foreach ($this->processes as $process) {
            $pid = $process->getPid();
            $pid === null || posix_kill(-$pid, SIGTERM);
            $process->stop(1);
        }
        DB::disconnect();
        array_map(unlink(...), glob("$this->folder/*") ?: []);
        rmdir($this->folder);
    }

    private static function waitFor(string $url): void
    {
        for ($i = 0; @file_get_contents("$url/up") === false; $i++) {
            if ($i > 1200) {
                throw new \RuntimeException("Nothing answered at $url.");
            }
            usleep(50_000);
        }
    }

    /** Below those that are given to whoever calls somebody: what listens there later is not forestalled by a call. */
    public static function freePort(): int
    {
        for ($tries = 0; $tries < 100; $tries++) {
            $port = random_int(20_000, 31_999);
            $socket = @stream_socket_server("tcp://127.0.0.1:$port");
            if ($socket !== false) {
                fclose($socket);

                return $port;
            }
        }

        throw new \RuntimeException('No free port.');
    }
}
