<?php

declare(strict_types=1);

namespace App\Counts;

use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** Texts that have gone out, as they were counted while they did: by day of the business and country of the number. */
final class CountryCounts
{
    /**
     * @param  string  $from  YYYY-MM-DD, the first day
     * @param  string  $until  the first that counts no more
     * @return Collection<array-key, \stdClass> by country, those that cost most first
     */
    public static function between(string $from, string $until): Collection
    {
        return DB::table('country_counts')
            ->where('day', '>=', $from)
            ->where('day', '<', $until)
            ->groupBy('country')
            ->havingRaw('sum(texts) > 0')
            ->orderByDesc('price')
            ->selectRaw('country, sum(texts) as texts, sum(parts) as parts, sum(price_micros) as price')
            ->get();
    }

    /** @return list<\stdClass> where the counts differ from the rows they count */
    public static function differences(): array
    {
        return array_values(DB::select('select day, country, sum(texts) as texts
            from (select day, country, texts, parts, price_micros from country_counts
            union all select day, country, -texts, -parts, -price_micros from ('.self::counted().') as counted) as both_ways
            group by day, country having sum(texts) <> 0 or sum(parts) <> 0 or sum(price_micros) <> 0'));
    }

    /** Counts all anew, while nobody writes a text. */
    public static function recount(): void
    {
        DB::transaction(function (): void {
            DB::getDriverName() === 'pgsql' && DB::statement('lock table messages in share mode');
            DB::table('country_counts')->delete();
            DB::statement('insert into country_counts (day, country, texts, parts, price_micros) '.self::counted());
        });
    }

    private static function counted(): string
    {
        $offset = 'coalesce((select seconds from account_offsets where begins_at <= m.at order by begins_at desc limit 1), 0)';
        $day = DB::getDriverName() === 'pgsql' ? "(m.at + make_interval(secs => $offset))::date" : "date(m.at, $offset || ' seconds')";

        return "select $day as day, coalesce((select country from numbers where e164 = m.number), '') as country, count(*) as texts,
            sum(m.parts) as parts, sum(m.price_micros) as price_micros
            from messages m where m.state in ('handed', 'arrived') group by 1, 2";
    }
}
