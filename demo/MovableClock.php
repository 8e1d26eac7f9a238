<?php

declare(strict_types=1);

namespace Demo;

use Psr\Clock\ClockInterface;

/**
 * The demo's clock: a file that every process reads. It holds the moment the clock showed ("base") and the machine's time at that
 * moment ("since"); without the latter the clock stands still.
 */
final readonly class MovableClock implements ClockInterface
{
    public function __construct(private string $file)
    {
    }

    public function now(): \DateTimeImmutable
    {
        [$base, $since] = $this->read();
        $seconds = $since === null ? 0.0 : microtime(true) - $since;

        return $base->modify(sprintf('%+d microseconds', (int) round($seconds * 1e6)));
    }

    public function isRunning(): bool
    {
        return $this->read()[1] !== null;
    }

    public function moveTo(\DateTimeImmutable $moment): void
    {
        $this->write($moment, $this->isRunning());
    }

    public function stop(): void
    {
        $this->write($this->now(), false);
    }

    public function run(): void
    {
        $this->write($this->now(), true);
    }

    /**
     * @return array{\DateTimeImmutable, float|null}
     *
     * @throws \RuntimeException where the file is no clock: to show the machine's time instead would move a line's departures there
     */
    private function read(): array
    {
        if (! is_file($this->file)) {
            return [new \DateTimeImmutable('now', new \DateTimeZone('UTC')), null];
        }
        $stored = json_decode((string) file_get_contents($this->file), true);
        if (! is_array($stored) || ! is_string($stored['base'] ?? null)) {
            throw new \RuntimeException("What stands in $this->file is no clock. Remove the file, and start the demo again.");
        }

        return [
            new \DateTimeImmutable($stored['base'], new \DateTimeZone('UTC')),
            is_numeric($stored['since'] ?? null) ? (float) $stored['since'] : null,
        ];
    }

    private function write(\DateTimeImmutable $base, bool $running): void
    {
        $json = json_encode([
            'base' => $base->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s.u\Z'),
            'since' => $running ? microtime(true) : null,
        ], JSON_THROW_ON_ERROR);
        if (! is_dir(dirname($this->file))) {
            mkdir(dirname($this->file), 0o755, true);
        }
        // Written beside and renamed, so that no reader sees half a file.
        $beside = $this->file.'.'.getmypid();
        file_put_contents($beside, $json);
        rename($beside, $this->file);
    }
}
