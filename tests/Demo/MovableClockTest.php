<?php

declare(strict_types=1);

namespace Tests\Demo;

use Demo\MovableClock;
use PHPUnit\Framework\TestCase;

final class MovableClockTest extends TestCase
{
    private string $file;

    protected function setUp(): void
    {
        $this->file = sys_get_temp_dir().'/linnet-clock-'.getmypid().'/clock.json';
    }

    protected function tearDown(): void
    {
        @unlink($this->file);
        @rmdir(dirname($this->file));
    }

    public function testItShowsTheSameToEveryProcessAndMoves(): void
    {
        $ours = new MovableClock($this->file);
        $theirs = new MovableClock($this->file);
        $ours->moveTo(new \DateTimeImmutable('2026-03-02T10:20:00+01:00'));

        self::assertSame('2026-03-02T09:20:00+00:00', $theirs->now()->format('c'));
        self::assertFalse($theirs->isRunning());
    }

    public function testItRunsStopsAndGoesOnFromWhereItStopped(): void
    {
        $clock = new MovableClock($this->file);
        $clock->moveTo(new \DateTimeImmutable('2026-03-02T10:20:00Z'));
        $clock->run();
        self::assertTrue($clock->isRunning());
        $shown = $clock->now();
        self::assertGreaterThanOrEqual($shown, $clock->now());
        self::assertLessThan(60, $clock->now()->getTimestamp() - strtotime('2026-03-02T10:20:00Z'));
        $clock->stop();
        self::assertEquals($clock->now(), $clock->now());
        $clock->moveTo(new \DateTimeImmutable('2026-03-03T10:20:00Z'));
        self::assertFalse($clock->isRunning());
    }

    public function testHalfAFileIsNotTakenForTheMachinesTime(): void
    {
        mkdir(dirname($this->file));
        file_put_contents($this->file, '{"base":');

        $this->expectExceptionMessage('is no clock. Remove the file, and start the demo again.');
        (new MovableClock($this->file))->now();
    }
}
