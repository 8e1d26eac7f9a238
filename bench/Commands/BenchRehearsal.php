<?php

declare(strict_types=1);

namespace Bench\Commands;

use Bench\History;
use Bench\Town;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Artisan;

/** How long ninety days take on paper, beside the same days lived through in the same run. */
final class BenchRehearsal extends Command
{
    protected $signature = 'linnet:bench-rehearsal {--changes=10000 : About how many changes the ninety days hold}';

    protected $description = 'Measure the rehearsal of a history';

    public function handle(): int
    {
        $town = new Town('bench-rehearsal');
        try {
            Artisan::call('linnet:rules', ['what' => 'import', 'paths' => [base_path('demo/rules')]]);
            $history = new History((int) $this->input->getOption('changes'));
            [$live, $changes, $left] = $history->live();
            [$paper, $leaves, $lived, $same] = $history->onPaper();
            $this->line(
                sprintf(
                    '%-46s %-60s %s',
                    'rehearsal over 90 days',
                    sprintf(
                        '%.1f s for %d changes (%d texts), 1/%.1f of live (%.1f s); %d of %d texts of one rule the same, %d MiB',
                        $paper, $changes,
                        $left, $live / $paper, $live, $same, $lived, intdiv(memory_get_peak_usage(true), 1_048_576),
                    ),
                    'at most 1/10, all the same',
                ),
            );

            return $live / $paper >= 10 && [$leaves, $same] === [$lived, $lived] ? self::SUCCESS : self::FAILURE;
        } finally {
            $town->close();
        }
    }
}
