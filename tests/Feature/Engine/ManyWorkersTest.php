<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use Bench\HungCarrier;
use Bench\KilledWorkers;
use Bench\Town;
use Bench\Waiting;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;

/** Two workers of each kind on one database, killed again and again, by the carrier's own ledger. The whole of it is `composer torture`. */
final class ManyWorkersTest extends TestCase
{
    public $mockConsoleOutput = false;

    #[DataProvider('manners')]
    public function testNothingIsLostAndNothingGoesTwice(bool $keys): void
    {
        mt_srand(7);
        $tortured = KilledWorkers::over(texts: 240, kills: 6, each: 2, keys: $keys, tell: fn (int $killed, int $handed): null => null);

        self::assertSame(['lost' => 0, 'twice' => 0], ['lost' => $tortured['lost'], 'twice' => $tortured['twice']]);
        // Whose hand-over was cut off is offered anew where that does no harm, and left to somebody where it might.
        self::assertSame(0, $tortured[$keys ? 'cut' : 'anew']);
    }

    public function testACarrierThatHangsDelaysNothingButItself(): void
    {
        $delays = HungCarrier::delays(texts: 16, seconds: 4);

        self::assertCount(16, $delays);
        self::assertLessThanOrEqual(1, max([0, ...$delays]), 'seconds behind its moment');
    }

    public function testAWordingIsSentNoMoreOftenThanItMay(): void
    {
        $town = new Town('most');
        try {
            Waiting::seed(900, new \DateTimeImmutable('2026-03-02T10:00:00Z'), [
                'wordings' => [['id' => 'few', 'text' => 'One of the first.', 'most' => 400]],
                'closing' => ['id' => 'rest', 'text' => 'Too late, {{ first_name }}.'],
            ]);
            $town->clockTo('2026-03-02T10:00:01Z');
            $workers = array_map(fn (int $i): Process => new Process(
                ['php', 'artisan', 'linnet:work', '--until-idle'], base_path(), $town->env, timeout: 120,
            ), range(1, 3));
            array_map(fn (Process $worker) => $worker->start(), $workers);
            array_map(fn (Process $worker) => $worker->wait(), $workers);

            self::assertSame(
                ['few' => 400, 'rest' => 500],
                DB::table('messages')->where('state', 'ready')->groupBy('wording')->orderBy('wording')
                    ->selectRaw('wording, count(*) as many')->pluck('many', 'wording')->all(),
            );
        } finally {
            $town->close();
        }
    }

    /** @return iterable<string, array{bool}> */
    public static function manners(): iterable
    {
        yield 'a carrier that takes a text once under its key' => [true];
        yield 'a carrier that knows no keys' => [false];
    }
}
