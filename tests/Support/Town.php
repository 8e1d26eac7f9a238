<?php

declare(strict_types=1);

namespace Tests\Support;

use Database\Seeders\DatabaseSeeder;
use Symfony\Component\Process\Process;

/** Linnet and its stand-ins as they run in earnest, each process of its own, with databases and a clock of their own, for one test. */
final class Town
{
    public readonly Standins $standins;

    public readonly string $url;

    /** @var array<string, string> */
    public readonly array $env;

    private readonly Process $web;

    public function __construct(private readonly string $root, private readonly string $folder)
    {
        mkdir($folder, 0o755, true);
        touch("$folder/linnet.sqlite");
        $this->clockTo('2026-03-02T10:00:00Z');
        [$web, $standins] = [self::freePort(), self::freePort()];
        $this->url = "http://127.0.0.1:$web";
        $this->env = [
            'APP_ENV' => 'demo', 'APP_KEY' => 'base64:'.base64_encode(str_repeat('k', 32)), 'APP_URL' => $this->url, 'LOG_CHANNEL' => 'null', 'CACHE_STORE' => 'array',
            'DB_DATABASE' => "$folder/linnet.sqlite", 'STANDINS_DATABASE' => "$folder/standins.sqlite", 'CARRIER_SECRET' => 'town',
            'CARRIER_URL' => "http://127.0.0.1:$standins/carrier", 'STANDINS_URL' => "http://127.0.0.1:$standins",
            'CLOCK_FILE' => substr("$folder/clock.json", strlen("$root/storage/")),
        ];
        (new Process(['php', 'artisan', 'migrate', '--force', '--seed', '--seeder='.DatabaseSeeder::class], $root, $this->env))->mustRun();
        $this->standins = new Standins($root, $standins, $this->env);
        $server = "$root/vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php";
        $this->web = new Process(['php', '-S', "127.0.0.1:$web", $server], "$root/public", $this->env);
        $this->web->disableOutput()->start();
        Standins::waitFor("$this->url/up");
    }

    public function clockTo(string $instant): void
    {
        file_put_contents("$this->folder/clock.json", json_encode(['base' => $instant, 'since' => null]));
    }

    /** The worker and the stand-ins do what there is to do until neither has anything left. */
    public function settle(): void
    {
        do {
            $this->worker(['--until-idle'])->mustRun();
        } while ($this->standins->settle() > 0);
    }

    /** @param  list<string>  $options */
    public function worker(array $options): Process
    {
        return new Process(['php', 'artisan', 'linnet:work', ...$options], $this->root, $this->env, timeout: 120);
    }

    public function close(): void
    {
        $this->standins->stop();
        $this->web->stop(1);
        array_map(unlink(...), glob("$this->folder/*") ?: []);
        rmdir($this->folder);
    }

    private static function freePort(): int
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('No free port.');
        $name = (string) stream_socket_get_name($socket, false);
        fclose($socket);

        return (int) substr($name, (int) strrpos($name, ':') + 1);
    }
}
