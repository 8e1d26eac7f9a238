<?php

declare(strict_types=1);

namespace Bench;

use GuzzleHttp\Client;
use Illuminate\Support\Facades\DB;

/** A carrier that takes ten seconds to answer, while texts fall due one after another. */
final class HungCarrier
{
    private const DUE = '2026-03-02T10:00:00Z';

    /** @return list<int> seconds from each text's moment until it had passed the gate */
    public static function delays(int $texts, int $seconds): array
    {
        $town = new Town('hung', ['PHP_CLI_SERVER_WORKERS' => '4', 'CACHE_STORE' => 'array']);
        try {
            $town->serveStandins();
            (new Client)->post("$town->standinsUrl/manners/hung", ['json' => ['on' => true]]);
            Waiting::seed($texts, new \DateTimeImmutable(self::DUE));
            $timers = DB::table('timers')->where('kind', 'run')->orderBy('id')->pluck('id');
            foreach ($timers as $i => $id) {
                $due = (new \DateTimeImmutable(self::DUE))->modify(sprintf('+%d seconds', intdiv($i * $seconds, $texts)));
                DB::table('timers')->where('id', $id)->update(['due_at' => $due->format('Y-m-d H:i:s')]);
            }
            $town->clockTo('2026-03-02T09:59:00Z');
            $workers = new Workers($town, 2);
            // All of them are at their work before the first is due.
            for ($waited = 0; $waited < 200 && DB::table('signs')->count() < count(Workers::KINDS); $waited++) {
                usleep(50_000);
            }
            $town->clockRunsFrom('2026-03-02T09:59:59Z');
            for ($waited = 0; $waited < 20 * ($seconds + 20) && DB::table('messages')->count() < $texts; $waited++) {
                usleep(50_000);
            }
            // Those that hand over wait for the carrier still.
            $workers->stop(0);
            $due = DB::table('runs')->where('occasion', 'like', 'b%')->orderBy('id')->pluck('id')->flip();
            $moment = fn (int $run): int => (int) strtotime(self::DUE) + intdiv((int) $due[$run] * $seconds, $texts);

            return array_values(DB::table('messages')->whereNotNull('run_id')->get(['run_id', 'left_at'])->map(
                fn (\stdClass $text): int => (int) strtotime("$text->left_at UTC") - $moment((int) $text->run_id),
            )->all());
        } finally {
            $town->close();
        }
    }
}
