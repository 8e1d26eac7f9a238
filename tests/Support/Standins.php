<?php

declare(strict_types=1);

namespace Tests\Support;

use Symfony\Component\Process\Process;

/** The stand-ins, started on a free port for one test, with a database of their own. */
final class Standins
{
    public readonly string $url;

    private readonly Process $server;

    /** @param  array<string, string>  $env */
    public function __construct(private readonly string $root, array $env)
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('No free port.');
        $port = (string) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);
        $this->url = "http://127.0.0.1:$port";
        (new Process(['php', 'standins/run', 'migrate', '--fresh'], $root, $env))->mustRun();
        $this->server = new Process(['php', '-S', "127.0.0.1:$port", '-t', 'public', 'standins/index.php'], $this->root, $env);
        $this->server->disableOutput()->start();
        for ($i = 0; $i < 100 && @file_get_contents("$this->url/up") === false; $i++) {
            usleep(50_000);
        }
    }

    /** @return list<array{key: string, to: string, from: string, text: string, offered: int, fate: string}> everything the carrier took */
    public function ledger(): array
    {
        return json_decode((string) file_get_contents("$this->url/carrier/ledger"), true, 8, JSON_THROW_ON_ERROR);
    }

    public function stop(): void
    {
        $this->server->stop(1);
    }
}
