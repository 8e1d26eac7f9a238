<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Intake\Deliveries;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Source;
use Tests\Feature\TownTestCase;

/** The worker is killed at random instants while calls come in, texts fall due and follow-ups fall due; the carrier's ledger is the judge. */
final class CrashTest extends TownTestCase
{
    private const CALLS = 90;

    private const KILLS_EACH = 8;

    public function testKilledAtAnyMomentNothingIsLostAndNothingGoesTwice(): void
    {
        mt_srand(20260302);
        $numbers = array_map(fn (int $i): string => sprintf('+4477009004%02d', $i), range(1, self::CALLS));
        $kills = 0;
        foreach (array_chunk($numbers, max(1, intdiv(self::CALLS, self::KILLS_EACH))) as $some) {
            array_walk($some, $this->missedCallFrom(...));
            $kills += $this->killWorker();
        }
        foreach (['2026-03-02T10:02:00Z', '2026-03-03T10:03:00Z'] as $moment) {
            $this->town->worker(['--until-idle'])->mustRun();
            $this->town->clockTo($moment);
            for ($i = 0; $i < self::KILLS_EACH; $i++) {
                $kills += $this->killWorker();
            }
        }
        $this->town->worker(['--until-idle'])->mustRun();

        $ledger = $this->town->standins->ledger();
        self::assertGreaterThanOrEqual(20, $kills);
        self::assertEqualsCanonicalizing([...$numbers, ...$numbers], array_column($ledger, 'to'));
        self::assertCount(2 * self::CALLS, array_unique(array_map(fn (array $text): string => "{$text['to']} {$text['text']}", $ledger)));
        self::assertSame(2 * self::CALLS, Message::query()->where('state', MessageState::Handed)->count());
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
        $worker = $this->town->worker(['--rest=2']);
        $worker->start();
        // A real instant of a real process: the one place where a test waits.
        usleep(mt_rand(90_000, 330_000));
        $alive = $worker->isRunning();
        $worker->signal(SIGKILL);
        $worker->wait();

        return (int) $alive;
    }
}
