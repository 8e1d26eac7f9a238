<?php

declare(strict_types=1);

namespace App\Pages\Ahead;

use App\Clock\Day;
use App\Models\ComingText;
use App\People\PersonFilter;
use Illuminate\Contracts\Pagination\Paginator;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/** Finds and counts the coming texts that are asked for, from now to the end of the last day shown. */
final readonly class ComingTextQuery
{
    private const PER_PAGE = 12;

    private const OUTSIDE_HOURS = ['gate.outside_hours', 'gate.never_decent'];

    /** What an hour cannot hold in its busiest minute is not looked for in it; and not in more hours than this. */
    private const HOURS = 12;

    private string $thisHour;

    private Day $last;

    /** @var list<int>|null */
    private ?array $people;

    /** @param  ComingFilter  $filter  of its rules, lines, types and people */
    public function __construct(private ComingFilter $filter, private \DateTimeImmutable $now, private string $zone)
    {
        $this->people = $filter->find === '' ? null : PersonFilter::few($filter->find);
        $local = $now->setTimezone(new \DateTimeZone($zone));
        $this->thisHour = $local->format('Y-m-d\TH');
        $this->last = Day::of($local->setTime(12, 0)->modify('+'.(HourField::DAYS - 1).' days'), $zone);
    }

    /** @return array<string, HourCount> by hour, as YYYY-MM-DDTHH */
    public function byHour(): array
    {
        $held = "sum(case when held in ('".implode("', '", self::OUTSIDE_HOURS)."') then 1 else 0 end)";
        $counts = "count(*) as texts, coalesce(sum(price_micros), 0) as micros, $held as held";
        $hours = [];
        // Of this hour, what has left by now is not coming any more.
        $now = $this->narrowed()
            ->where('hour', $this->thisHour)
            ->where('leaves_at', '>', $this->now)
            ->toBase()
            ->selectRaw($counts)
            ->first();
        if ($now !== null && $now->texts > 0) {
            $hours[$this->thisHour] = HourCount::of($now);
        }
        // A few people's are found by them, not by the hour.
        $hour = $this->people === null ? 'hour' : "(hour || '')";
        $rows = $this->narrowed()
            ->whereRaw("$hour > ?", [$this->thisHour])
            ->whereRaw("$hour < ?", [$this->last->date.'U'])
            ->toBase()
            ->groupBy('hour')
            ->orderBy('hour')
            ->selectRaw("hour, $counts")
            ->get();
        foreach ($rows as $row) {
            $hours[(string) $row->hour] = HourCount::of($row);
        }

        return $hours;
    }

    public function waitForSomebody(): int
    {
        return $this->waiting()->count();
    }

    /** @return Paginator<int, ComingText> those of a day or an hour, or of a kind, the earliest first */
    public function texts(ComingFilter $asked): Paginator
    {
        $query = match ($asked->show) {
            ComingFilter::YOU => $this->waiting(),
            ComingFilter::HOURS => $this->leaving()->whereIn('held', self::OUTSIDE_HOURS),
            ComingFilter::ALL => $this->leaving(),
            default => $this->within($asked->at),
        };

        return $query->with(['person.number', 'rule', 'line', 'scheduled.staff'])
            ->orderBy('leaves_at')
            ->orderBy('id')
            ->simplePaginate(self::PER_PAGE)
            ->withQueryString();
    }

    /**
     * The minute in which a line is asked for the most.
     *
     * @param  array<string, HourCount>  $hours  as {@see byHour} counted them
     */
    public function busiestMinute(array $hours): ?BusiestMinute
    {
        $busiest = null;
        $texts = array_map(fn (HourCount $hour): int => $hour->texts, $hours);
        arsort($texts);
        foreach (array_slice($texts, 0, self::HOURS, true) as $hour => $many) {
            if ($many <= ($busiest->texts ?? 0)) {
                break;
            }
            $found = $this->busiestOf($hour);
            $busiest = $found !== null && $found->texts > ($busiest->texts ?? 0) ? $found : $busiest;
        }

        return $busiest;
    }

    /**
     * @param  int  $most  so many at most
     * @return list<\DateTimeImmutable> when texts of the line would leave within the hour after that minute begins
     */
    public function from(BusiestMinute $minute, int $most): array
    {
        $moments = ComingText::query()
            ->where('left_out', false)
            ->where('line_id', $minute->lineId)
            ->where('leaves_at', '>=', $minute->at)
            ->where('leaves_at', '<', $minute->at->modify('+1 hour'))
            ->orderBy('leaves_at')
            ->limit($most)
            ->toBase()
            ->pluck('leaves_at')
            ->all();

        return array_values(array_map(
            fn (mixed $at): \DateTimeImmutable => new \DateTimeImmutable((string) $at, new \DateTimeZone('UTC')),
            $moments,
        ));
    }

    private function busiestOf(string $hour): ?BusiestMinute
    {
        $minute = DB::connection()->getDriverName() === 'pgsql' ? "date_trunc('minute', leaves_at)" : "substr(leaves_at, 1, 16) || ':00'";
        $row = $this->within($hour)->toBase()->whereNotNull('line_id')
            ->groupByRaw("$minute, line_id")
            ->orderByRaw('count(*) desc, 2')
            ->selectRaw("line_id, $minute as minute, count(*) as texts")
            ->first();

        return $row === null ? null : new BusiestMinute(
            (int) $row->line_id,
            new \DateTimeImmutable((string) $row->minute, new \DateTimeZone('UTC')),
            (int) $row->texts,
        );
    }

    /** @return Builder<ComingText> of a day or an hour of it */
    private function within(string $at): Builder
    {
        $day = new Day(substr($at, 0, 10), $this->zone);
        $hours = array_filter($day->hours(), fn (array $hour): bool => strlen($at) === 10 || $hour['hour'] === (int) substr($at, 11));
        $moments = [...array_column($hours, 'from'), ...array_column($hours, 'to')];

        return $this->leaving()
            ->where('leaves_at', '>=', $moments === [] ? $day->ends : min($moments))
            ->where('leaves_at', '<', $moments === [] ? $day->ends : max($moments));
    }

    /** @return Builder<ComingText> */
    private function leaving(): Builder
    {
        return $this->narrowed()->where('left_out', false)->where('leaves_at', '>', $this->now)->where('leaves_at', '<', $this->last->ends);
    }

    /** @return Builder<ComingText> for somebody */
    private function waiting(): Builder
    {
        return $this->narrowed()->whereNull('hour')->where('left_out', false);
    }

    /** @return Builder<ComingText> */
    private function narrowed(): Builder
    {
        $query = ComingText::query();
        $columns = ['rule_id' => $this->filter->rule, 'line_id' => $this->filter->line, 'record_type_id' => $this->filter->type];
        foreach ($columns as $column => $id) {
            $id === null || $query->where($column, $id);
        }
        $this->filter->find === '' || PersonFilter::among($query, $this->people, $this->filter->find);

        return $query;
    }
}
