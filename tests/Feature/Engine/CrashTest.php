<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Intake\Deliveries;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Source;
use Database\Seeders\DatabaseSeeder;
use Demo\MovableClock;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use Symfony\Component\Process\Process;
use Tests\Support\Standins;

/** The worker is killed at random instants while calls come in, texts fall due and follow-ups fall due; the carrier's ledger is the judge. */
final class CrashTest extends TestCase
{
    private const CALLS = 90;

    private const KILLS_EACH = 8;

    private string $folder;

    /** @var array<string, string> */
    private array $env;

    protected function setUp(): void
    {
        parent::setUp();
        $this->mockConsoleOutput = false;
        $this->folder = storage_path('framework/testing/crash-'.getmypid());
        mkdir($this->folder, 0o755, true);
        touch("$this->folder/linnet.sqlite");
        $this->env = [
            'DB_DATABASE' => "$this->folder/linnet.sqlite", 'STANDINS_DATABASE' => "$this->folder/standins.sqlite",
            'CLOCK_FILE' => 'framework/testing/'.basename($this->folder).'/clock.json', 'CARRIER_SECRET' => 'carrier-secret', 'LOG_CHANNEL' => 'null',
            'APP_KEY' => (string) config('app.key'), 'APP_ENV' => 'demo',
        ];
        config(['database.connections.sqlite.database' => $this->env['DB_DATABASE'], 'linnet.demo.clock_file' => $this->env['CLOCK_FILE']]);
        DB::purge();
    }

    protected function tearDown(): void
    {
        DB::disconnect();
        array_map(unlink(...), glob("$this->folder/*") ?: []);
        rmdir($this->folder);
        parent::tearDown();
    }

    public function testKilledAtAnyMomentNothingIsLostAndNothingGoesTwice(): void
    {
        mt_srand(20260302);
        $clock = resolve(ClockInterface::class);
        self::assertInstanceOf(MovableClock::class, $clock);
        $clock->moveTo(new \DateTimeImmutable('2026-03-02T10:00:00Z'));
        Artisan::call('migrate', ['--seed' => true, '--seeder' => DatabaseSeeder::class, '--force' => true]);
        $standins = new Standins(base_path(), $this->env);
        try {
            $this->env['CARRIER_URL'] = "$standins->url/carrier";
            $numbers = array_map(fn (int $i): string => sprintf('+4477009004%02d', $i), range(1, self::CALLS));
            $kills = 0;
            foreach (array_chunk($numbers, intdiv(self::CALLS, self::KILLS_EACH)) as $some) {
                array_walk($some, $this->missedCallFrom(...));
                $kills += $this->killWorker();
            }
            foreach (['2026-03-02T10:02:00Z', '2026-03-03T10:03:00Z'] as $moment) {
                $this->worker(['--until-idle'])->mustRun();
                $clock->moveTo(new \DateTimeImmutable($moment));
                for ($i = 0; $i < self::KILLS_EACH; $i++) {
                    $kills += $this->killWorker();
                }
            }
            $this->worker(['--until-idle'])->mustRun();

            $ledger = $standins->ledger();
            self::assertGreaterThanOrEqual(20, $kills);
            self::assertEqualsCanonicalizing([...$numbers, ...$numbers], array_column($ledger, 'to'));
            self::assertCount(2 * self::CALLS, array_unique(array_map(fn (array $text): string => "{$text['to']} {$text['text']}", $ledger)));
            self::assertSame(2 * self::CALLS, Message::query()->where('state', MessageState::Handed)->count());
        } finally {
            $standins->stop();
        }
    }

    private function missedCallFrom(string $number): void
    {
        resolve(Deliveries::class)->take(Source::query()->firstOrFail(), (string) json_encode([
            'ref' => $number, 'cli' => $number, 'ddi' => '+447700900100', 't0' => 1772445580000, 'ring' => ['ms' => 20000], 'why_unanswered' => 'rang out',
        ]), true);
    }

    /** @return int 1 if it was still alive to be killed */
    private function killWorker(): int
    {
        $worker = $this->worker(['--rest=2']);
        $worker->start();
        usleep(mt_rand(90_000, 330_000));
        $alive = $worker->isRunning();
        $worker->signal(SIGKILL);
        $worker->wait();

        return (int) $alive;
    }

    /** @param  list<string>  $options */
    private function worker(array $options): Process
    {
        return new Process(['php', 'artisan', 'linnet:work', ...$options], base_path(), $this->env, timeout: 120);
    }
}
