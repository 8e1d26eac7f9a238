<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use Bench\Kills;
use Bench\Starvation;
use Illuminate\Foundation\Testing\TestCase;
use Tests\Support\Databases;

/** Whatever is taken away for a while, each text comes once, and no worker ends. Small here; whole in composer torture. */
final class StarvationTest extends TestCase
{
    private const WELL = ['lost' => 0, 'twice' => 0, 'open' => 0, 'ended' => 0];

    protected function setUp(): void
    {
        parent::setUp();
        mt_srand(8);
    }

    public function testADatabaseLockedForLongerThanEveryWait(): void
    {
        $this->onAFile();
        self::assertSame(self::WELL, Starvation::locked(80, 3.0));
    }

    public function testADiskThatFills(): void
    {
        $this->onAFile();
        foreach ([0, 48] as $free) {
            self::assertSame(self::WELL, Starvation::full(80, $free, 2.0), "with $free KB left");
        }
    }

    public function testACarrierThatIsAwayForAnHour(): void
    {
        self::assertSame(self::WELL, Starvation::away(40, 55));
    }

    /** Whoever takes files in is killed in AwkwardTownTest. */
    public function testEveryOtherProcessThatIsKilled(): void
    {
        $well = ['lost' => 0, 'twice' => 0];
        self::assertSame($well, Kills::queue(40, 3));
        self::assertSame($well, Kills::door(12, 6));
    }

    private function onAFile(): void
    {
        Databases::isPostgres() && self::markTestSkipped('It takes the file away that holds the database.');
    }
}
