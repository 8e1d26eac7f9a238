<?php

declare(strict_types=1);

namespace Bench\Commands;

use App\Forecast\Forecaster;
use App\Models\ComingText;
use App\Models\ForecastMark;
use Bench\Pages;
use Bench\Town;
use Bench\Waiting;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** What lies ahead with very many runs under way: how long it takes to work out, how soon it follows, and how fast its page is. */
final class BenchAhead extends Command
{
    /** Milliseconds. */
    private const PAGE = 300.0;

    /** Seconds after which nothing may be older. */
    private const OLDEST = 60.0;

    /** So many are touched within a minute where texts leave as fast as a line lets them. */
    private const TOUCHED = 5_000;

    protected $signature = 'linnet:bench-ahead {--runs=100000 : How many runs are under way}';

    protected $description = 'Measure what lies ahead with many runs under way';

    protected $hidden = true;

    public function handle(): int
    {
        $town = new Town('bench-ahead', ['CACHE_STORE' => 'file']);
        try {
            $runs = (int) $this->input->getOption('runs');
            Waiting::seed($runs, new \DateTimeImmutable('2026-03-03T09:00:00Z'), hours: 13 * 24);
            DB::statement('analyze');
            $forecaster = resolve(Forecaster::class);
            $all = $this->seconds($forecaster);
            $this->said('everybody worked out', sprintf(
                '%.0f s for %s people, %.2f ms each; %s texts; %d MiB at most',
                $all, number_format($runs), 1000 * $all / $runs, number_format(ComingText::query()->count()),
                intdiv(memory_get_peak_usage(), 1 << 20),
            ));
            $touched = min(self::TOUCHED, $runs);
            ForecastMark::leave(range(Waiting::FIRST + 1, Waiting::FIRST + $touched));
            $soon = $this->seconds($forecaster);
            $this->said(number_format($touched).' touched', sprintf('worked out anew in %.1f s', $soon), 'under 60 s');
            $forecaster->rest();
            $town->serve();
            $pages = (new Pages($town->url))->measure([
                '/ahead', '/ahead?show=all', '/ahead?show=all&page=2000', '/ahead?at=2026-03-05', '/ahead?at=2026-03-05T10',
                '/ahead?line=1', '/ahead?find=P777', '/ahead?rule='.DB::table('rules')->where('key', 'bench')->value('id'),
                '/ahead/2026-03-05', '/today',
            ]);
            $worst = max([0.0, ...array_column($pages, 1)]);
            foreach ($pages as $page => [$median, $slowest, $kilobytes]) {
                $this->line(sprintf('  %4.0f ms, at worst %4.0f ms, %3d KB  %s', $median, $slowest, $kilobytes, $page));
            }
            $this->said('its pages', sprintf('at worst %.0f ms', $worst), sprintf('under %d ms', self::PAGE));

            return $worst < self::PAGE && $soon < self::OLDEST ? self::SUCCESS : self::FAILURE;
        } finally {
            $town->close();
        }
    }

    private function seconds(Forecaster $forecaster): float
    {
        $began = hrtime(true);
        while ($forecaster->round() > 0);

        return (hrtime(true) - $began) / 1e9;
    }

    private function said(string $what, string $found, string $wanted = ''): void
    {
        $this->line(sprintf('%-46s %-60s %s', $what, $found, $wanted));
    }
}
