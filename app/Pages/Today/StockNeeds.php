<?php

declare(strict_types=1);

namespace App\Pages\Today;

use App\Clock\Day;
use App\Clock\TimeFormatter;
use App\Models\Business;
use App\Models\Line;
use App\Models\Source;
use App\Models\SourceKind;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\ActivationState;

/** What is about to run out, or stays away: money, codes, a line that was switched off, a source that has fallen silent. */
final class StockNeeds
{
    /** Of the month's money, in percent, and of a list of codes. */
    private const NEARLY_SPENT = 80;

    private const NEARLY_GONE = 10;

    /** So many days a source is looked back on; it has to have come on so many of them to be missed. */
    private const DAYS = 28;

    private const REGULAR = 5;

    private const KEPT_SECONDS = 600;

    /** @return list<Need> */
    public static function all(\DateTimeImmutable $now, Business $business): array
    {
        return [...self::budget($now, $business), ...self::lines(), ...self::silent($now, $business->zone), ...self::codes()];
    }

    /** @return list<Need> */
    private static function budget(\DateTimeImmutable $now, Business $business): array
    {
        $most = $business->gatePolicy()->monthMicros;
        if ($most === null || $most === 0) {
            return [];
        }
        $month = substr(Day::of($now, $business->zone)->date, 0, 7);
        $spent = (int) DB::table('spent_days')->where('day', '>=', "$month-01")->sum('micros');
        $percent = intdiv(100 * $spent, $most);
        $money = fn (int $micros): string => TimeFormatter::money($micros / 1e6, $business->currency());

        return $percent < self::NEARLY_SPENT ? [] : [new Need(
            $spent >= $most ? 'bad' : 'held',
            $spent >= $most ? 'This month’s money is spent' : "$percent % of this month’s money is spent",
            "{$money($spent)} of {$money($most)}. ".($spent >= $most
                ? 'Automatic texts wait until the month is over, or until there is more.'
                : 'What it does not cover waits until the month is over.'),
            'Look at the limits', route('safeguards.index'),
        )];
    }

    /** @return list<Need> that somebody switched off; one that paused itself is said elsewhere */
    private static function lines(): array
    {
        return array_values(Line::query()
            ->where('power', ActivationState::Paused)
            ->whereNull('problem')
            ->orderBy('id')
            ->get()
            ->map(fn (Line $line): Need => new Need(
                'held', "The line “{$line->name}” is paused", 'Its automatic texts wait until it is switched on.', 'Look',
                route('lines.show', $line), acts: [new Act('Switch it on', route('lines.power', $line), ['power' => 'on'], method: 'put')],
            ))
            ->all());
    }

    /** @return list<Need> feeds from which nothing has come for longer than ever in four weeks */
    private static function silent(\DateTimeImmutable $now, string $zone): array
    {
        $today = intdiv($now->getTimestamp(), 86_400);
        $since = Day::firstOf(self::DAYS, $now, $zone)->begins;
        // Days pass slowly: not counted anew at every look.
        $days = Cache::remember("linnet.days-of-sources.$today", self::KEPT_SECONDS, fn (): array => self::days($since));
        $silent = array_filter($days, function (array $came) use ($today): bool {
            $gaps = [];
            for ($i = 1; $i < count($came); $i++) {
                $gaps[] = $came[$i] - $came[$i - 1];
            }

            return count($came) >= self::REGULAR && $today - $came[count($came) - 1] > 1 + max([1, ...$gaps]);
        });

        return array_values(Source::query()
            ->whereKey(array_keys($silent))
            ->where('kind', SourceKind::Feed)
            ->where('power', ActivationState::On)
            ->orderBy('name')
            ->get()
            ->map(fn (Source $source): Need => new Need(
                'held',
                "Nothing has come from {$source->name} for ".TimeFormatter::count(
                    $today - $silent[$source->id][count($silent[$source->id]) - 1], 'day', 'days',
                ),
                'That is longer than at any time in the four weeks before. Ask whoever runs it whether it still sends.', 'Look',
                route('sources.show', $source),
            ))
            ->all());
    }

    /** @return array<int, list<int>> the days on which something came, since 1970, by source */
    private static function days(\DateTimeImmutable $since): array
    {
        $days = [];
        $rows = DB::table('deliveries')
            ->where('at', '>=', $since)
            ->groupBy('source_id')
            ->groupByRaw('substr(cast(at as varchar(30)), 1, 10)')
            ->selectRaw('source_id, substr(cast(at as varchar(30)), 1, 10) as day')
            ->orderBy('source_id')
            ->orderBy('day')
            ->get();
        foreach ($rows as $row) {
            $days[(int) $row->source_id][] = intdiv((int) strtotime("$row->day UTC"), 86_400);
        }

        return $days;
    }

    /** @return list<Need> */
    private static function codes(): array
    {
        $needs = [];
        $lists = DB::table('codes')
            ->groupBy('list')
            ->orderBy('list')
            ->selectRaw('list, count(*) as many, sum(case when person_id is null then 1 else 0 end) as free')
            ->get();
        foreach ($lists as $list) {
            if (100 * (int) $list->free < self::NEARLY_GONE * (int) $list->many) {
                $needs[] = new Need(
                    (int) $list->free === 0 ? 'bad' : 'held',
                    (int) $list->free === 0 ? "The codes of “{$list->list}” are used up" : "The codes of “{$list->list}” are nearly used up",
                    ucfirst(TimeFormatter::count((int) $list->free, 'code is', 'codes are'))." left of $list->many. ".
                        'A text that needs one and gets none is set aside.',
                    'Bring in more', route('pools.index'),
                );
            }
        }

        return $needs;
    }
}
