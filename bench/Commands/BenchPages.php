<?php

declare(strict_types=1);

namespace Bench\Commands;

use App\Counts\CountryCounts;
use App\Counts\MessageCounts;
use App\Database\SaidIndex;
use App\Forecast\Forecaster;
use App\Models\Rehearsal;
use App\Models\RehearsalState;
use App\Models\Rule;
use App\Rehearsals\Rehearser;
use Bench\Pages;
use Bench\RepeatedSeason;
use Bench\Town;
use Demo\HandClock;
use Demo\SampleTown;
use Demo\Season\Season;
use Demo\SeasonSimulation;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** How long every page takes in a business of 100,000 people: the demo's season, its rows repeated. */
final class BenchPages extends Command
{
    private const PEOPLE = 400;

    /** Milliseconds. */
    private const MOST = 100.0;

    private const WORST = 200.0;

    protected $signature = 'linnet:bench-pages
        {--times=250 : How often the season’s rows are there}
        {--days=90 : How many days are lived through first}
        {--all : Print every page, the slowest first}';

    protected $description = 'Measure every page in a large business';

    protected $hidden = true;

    public function handle(): int
    {
        $town = new Town('bench-pages', ['CACHE_STORE' => 'file']);
        try {
            $this->live($town);
            $began = hrtime(true);
            RepeatedSeason::seed((int) $this->input->getOption('times'));
            // As the intake's loop would have done meanwhile.
            while (SaidIndex::catchUp() > 0);
            $this->line(sprintf(
                'made in %d s: %s', (hrtime(true) - $began) / 1e9, implode(', ', array_map(
                    fn (string $table): string => number_format(DB::table($table)->count())." $table",
                    ['people', 'messages', 'runs', 'traces'],
                )),
            ));
            $differ = count(MessageCounts::differences()) + count(CountryCounts::differences());
            $town->cacheSettings();
            $town->serve();
            $pages = (new Pages($town->url))->measure(Pages::all());
            uasort($pages, fn (array $a, array $b): int => $b[0] <=> $a[0]);
            $medians = array_column($pages, 0);
            $slowest = max([0.0, ...array_column($pages, 1)]);
            $p95 = $medians[(int) floor(count($medians) * 0.05)];
            $this->line(sprintf(
                '%d pages: p50 %.0f ms, p95 %.0f ms, the slowest answer of all %.0f ms; %d counts differ from their rows', count($pages),
                $medians[intdiv(count($medians), 2)], $p95, $slowest, $differ,
            ));
            foreach (array_slice($pages, 0, $this->option('all') ? null : 5) as $page => [$median, $worst, $kilobytes]) {
                $this->line(sprintf('  %4.0f ms, at worst %4.0f ms, %3d KB  %s', $median, $worst, $kilobytes, $page));
            }

            return $p95 < self::MOST && $slowest < self::WORST && $differ === 0 ? self::SUCCESS : self::FAILURE;
        } finally {
            $town->close();
        }
    }

    private function live(Town $town): void
    {
        $this->callSilently('linnet:rules', ['what' => 'import', 'paths' => [base_path('demo/rules')]]);
        $season = new Season(self::PEOPLE, min(Season::DAYS, (int) $this->input->getOption('days')));
        $nobody = fn (): null => null;
        (new SeasonSimulation(new HandClock($season->begins()), $season, $nobody))->live(Season::guests(self::PEOPLE), $nobody);
        $town->clockTo($season->ends()->format('Y-m-d\TH:i:s\Z'));
        $forecaster = resolve(Forecaster::class);
        while ($forecaster->round() > 0);
        $forecaster->rest();
        SampleTown::written($season->ends());
        $this->rehearse($season);
    }

    /** The rule whose pages are measured, over all that was lived through. */
    private function rehearse(Season $season): void
    {
        $rule = Rule::query()->findOrFail(Pages::rule());
        Rehearsal::query()->create([
            'rule_id' => $rule->id, 'rule_version_id' => $rule->version_id, 'days' => Season::DAYS, 'begins_at' => $season->begins(),
            'ends_at' => $season->ends(), 'state' => RehearsalState::Waiting, 'asked_at' => $season->ends(),
        ]);
        resolve(Rehearser::class)->round(fn (): bool => false);
    }
}
