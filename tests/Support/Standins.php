<?php

declare(strict_types=1);

namespace Tests\Support;

/** What a test asks of the stand-ins, over HTTP. */
final readonly class Standins
{
    public function __construct(private string $url)
    {
    }

    public function at(string $path): string
    {
        return $this->url.$path;
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

    /**
     * @param  array<string, mixed>  $said
     * @return array<string, mixed>
     */
    public function act(string $path, array $said): array
    {
        return $this->post($path, $said);
    }

    public function write(string $from, string $to, string $text): void
    {
        $this->post("/handsets/$from/write", ['to' => $to, 'text' => $text]);
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array<string, mixed>
     */
    private function post(string $path, array $body): array
    {
        $context = stream_context_create([
            'http' => ['method' => 'POST', 'header' => 'Content-Type: application/json', 'content' => json_encode($body), 'timeout' => 120],
        ]);

        return json_decode((string) file_get_contents($this->url.$path, false, $context), true, 8, JSON_THROW_ON_ERROR);
    }
}
