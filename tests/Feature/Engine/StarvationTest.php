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
    private const WELL = ['lost' => 0, 'twice' => 0, 'ended' => 0];

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
        foreach ([0, 48, 160] as $free) {
            self::assertSame(self::WELL, Starvation::full(80, $free, 2.0), "with $free KB left");
        }
    }

    public function testACarrierThatIsAwayForAnHour(): void
    {
        self::assertSame(self::WELL, Starvation::away(80, 55));
    }

    public function testEveryKindOfProcessThatIsKilled(): void
    {
        $well = ['lost' => 0, 'twice' => 0];
        self::assertSame($well, Kills::intake(4000, 4));
        self::assertSame($well, Kills::queue(60, 4));
        self::assertSame($well, Kills::door(12, 6));
    }

    private function onAFile(): void
    {
        Databases::isPostgres() && self::markTestSkipped('It takes the file away that holds the database.');
    }
}
