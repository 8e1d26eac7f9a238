<?php

declare(strict_types=1);

namespace Tests\Feature\Commands;

use Illuminate\Foundation\Testing\TestCase;
use Symfony\Component\Process\Process;

/** A migration that is killed is whole or was not there: the next one goes on from just there. */
final class MigrationTest extends TestCase
{
    private const KILLS = 3;

    public function testKilledAtAnyMomentItCanBeRunAgain(): void
    {
        mt_srand(8);
        $file = storage_path('framework/testing/migrated-'.getmypid().'.sqlite');
        $inBetween = 0;
        for ($i = 0; $i < self::KILLS; $i++) {
            touch($file);
            try {
                $migration = $this->migration($file);
                $migration->start();
                // A real instant of a real process: once it has begun, at whatever it is just then.
                for ($waited = 0; $waited < 2000 && filesize($file) === 0; $waited++, clearstatcache()) {
                    usleep(1000);
                }
                usleep(mt_rand(0, 250_000));
                $inBetween += (int) $migration->isRunning();
                $migration->isRunning() && $migration->signal(SIGKILL);
                $migration->wait();
                $again = $this->migration($file);
                $again->run();
                self::assertTrue($again->isSuccessful(), $again->getOutput().$again->getErrorOutput());
                self::assertSame(0, $this->migration($file)->run());
            } finally {
                array_map(unlink(...), glob("$file*") ?: []);
            }
        }
        self::assertGreaterThan(2, $inBetween);
    }

    private function migration(string $file): Process
    {
        return new Process(
            ['php', 'artisan', 'migrate', '--force'],
            base_path(),
            [
                'APP_ENV' => 'demo', 'APP_KEY' => 'base64:'.base64_encode(str_repeat('k', 32)), 'DB_CONNECTION' => 'sqlite',
                'DB_DATABASE' => $file,
            ],
            timeout: 120,
        );
    }
}
