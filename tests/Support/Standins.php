<?php

declare(strict_types=1);

namespace Tests\Support;

use Symfony\Component\Process\Process;

/** The stand-ins, started on a port for one test, with a database of their own. */
final class Standins
{
    public readonly string $url;

    private readonly Process $server;

    /** @param  array<string, string>  $env */
    public function __construct(string $root, int $port, array $env)
    {
        $this->url = "http://127.0.0.1:$port";
        (new Process(['php', 'standins/run', 'migrate', '--fresh'], $root, $env))->mustRun();
        $this->server = new Process(['php', '-S', "127.0.0.1:$port", '-t', 'public', 'standins/index.php'], $root, $env);
        $this->server->disableOutput()->start();
        self::waitFor("$this->url/up");
    }

    /** @return list<array{key: string, to: string, from: string, text: string, offered: int, fate: string}> everything the carrier took */
    public function ledger(): array
    {
        return json_decode((string) file_get_contents("$this->url/carrier/ledger"), true, 8, JSON_THROW_ON_ERROR);
    }

    /** @return int how many things the stand-ins had still to say, and have said now */
    public function settle(): int
    {
        return (int) ($this->post('/settle', [])['errands'] ?? 0);
    }

    public function behave(string $manner, bool $on): void
    {
        $this->post("/manners/$manner", ['on' => $on]);
    }

    public function ring(string $from, string $to, string $how = 'as_usual'): void
    {
        $this->post('/phone/calls', ['from' => $from, 'to' => $to, 'how' => $how]);
    }

    public function write(string $from, string $to, string $text): void
    {
        $this->post("/handsets/$from/write", ['to' => $to, 'text' => $text]);
    }

    public function stop(): void
    {
        $this->server->stop(1);
    }

    public static function waitFor(string $url): void
    {
        for ($i = 0; $i < 200 && @file_get_contents($url) === false; $i++) {
            usleep(25_000);
        }
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array<string, mixed>
     */
    private function post(string $path, array $body): array
    {
        $context = stream_context_create(['http' => ['method' => 'POST', 'header' => 'Content-Type: application/json', 'content' => json_encode($body), 'timeout' => 30]]);

        return json_decode((string) file_get_contents($this->url.$path, false, $context), true, 8, JSON_THROW_ON_ERROR);
    }
}
