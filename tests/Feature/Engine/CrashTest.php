<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Intake\Deliveries;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Source;
use Bench\Workers;
use Symfony\Component\Process\Process;
use Tests\Feature\TownTestCase;
use Tests\Support\Databases;

/**
 * The worker is killed at random instants while calls come in, texts fall due and follow-ups fall due; the carrier's ledger is the judge.
 */
final class CrashTest extends TownTestCase
{
    private const FRONT_DESK = '+447700900100';

    private const WORKSHOP = '+447700900101';

    /** Rounds at the most, until the carrier has been offered a text anew: killed between its answer and our note of it. */
    private const ROUNDS = 60;

    private const KILLS = 8;

    private const ON_POSTGRES = 4;

    private int $kills = 0;

    private int $calls = 0;

    public function testKilledAtAnyMomentNothingIsLostAndNothingGoesTwice(): void
    {
        mt_srand(20260302);
        $most = Databases::isPostgres() ? self::ON_POSTGRES : self::KILLS;
        $atOnce = $followed = [];
        for ($round = 0; $round < self::ROUNDS && ($this->kills < $most || $this->offeredAnew() === 0); $round++) {
            array_push($atOnce, ...$this->missedCalls(self::WORKSHOP, 8));
            array_push($followed, ...$this->missedCalls(self::FRONT_DESK, 2));
            $this->killWorker();
        }
        foreach (['2026-03-02T10:02:00Z', '2026-03-03T10:03:00Z'] as $moment) {
            $this->finish();
            $this->town->clockTo($moment);
            for ($i = 0; $i < 2; $i++) {
                $this->killWorker();
            }
        }
        $this->finish();

        $ledger = $this->town->standins->ledger();
        self::assertGreaterThanOrEqual($most, $this->kills);
        self::assertGreaterThan(0, $this->offeredAnew(), 'no kill fell between the carrier’s answer and our note of it');
        self::assertEqualsCanonicalizing([...$atOnce, ...$followed, ...$followed], array_column($ledger, 'to'));
        self::assertCount(count($ledger), array_unique(array_map(fn (array $text): string => "{$text['to']} {$text['text']}", $ledger)));
        self::assertSame(count($ledger), Message::query()->where('state', MessageState::Handed)->count());
    }

    /** @return list<string> the callers */
    private function missedCalls(string $line, int $many): array
    {
        $callers = [];
        for ($i = 0; $i < $many; $i++) {
            $callers[] = $caller = sprintf('+447700900%03d', 200 + $this->calls++);
            resolve(Deliveries::class)->receive(
                Source::query()->where('key', 'phone')->firstOrFail(),
                (string) json_encode([
                    'ref' => $caller, 'cli' => $caller, 'ddi' => $line, 't0' => 1772445580000, 'ring' => ['ms' => 20000],
                    'why_unanswered' => 'rang out',
                ]),
                [],
                null,
            );
        }

        return $callers;
    }

    /** How many hand-overs the carrier knew already. */
    private function offeredAnew(): int
    {
        return array_sum(array_map(fn (array $text): int => $text['offered'] - 1, $this->town->standins->ledger()));
    }

    /** All there is to do, what a killed worker had claimed too. */
    private function finish(): void
    {
        do {
            $this->town->workAndHandOver();
            // A lease that was left ends by the real clock.
            usleep(50_000);
        } while (Message::query()->where('state', MessageState::Ready)->exists());
    }

    private function killWorker(): void
    {
        $workers = array_map(fn (string $kind): Process => $this->town->worker(['--rest=2'], $kind), Workers::KINDS);
        array_map(fn (Process $worker) => $worker->start(), $workers);
        // A real instant of a real process: any, or the one in which the carrier has a text and we may not know it yet.
        $known = count($this->town->standins->ledger());
        if (mt_rand(0, 1) === 0) {
            usleep(mt_rand(150_000, 800_000));
        }
        for ($looks = 0; $looks < 200 && count($this->town->standins->ledger()) === $known; $looks++) {
            usleep(2_000);
        }
        foreach ($workers as $worker) {
            $this->kills += (int) $worker->isRunning();
            $worker->signal(SIGKILL);
            $worker->wait();
        }
    }
}
