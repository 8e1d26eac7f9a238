<?php

declare(strict_types=1);

namespace App\Pages\Ahead;

use App\Models\ComingText;
use App\People\PersonFilter;
use Illuminate\Contracts\Pagination\Paginator;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/** Finds and counts the coming texts that are asked for, from now to the end of the last day shown. */
final readonly class ComingTextQuery
{
    private const PER_PAGE = 20;

    private const OUTSIDE_HOURS = ['gate.outside_hours', 'gate.never_decent'];

    /**
     * @param  string  $from  the hour it is now, as YYYY-MM-DDTHH
     * @param  string  $until  behind the last hour
     */
    public function __construct(
        private ComingFilter $filter,
        private \DateTimeImmutable $now,
        private string $from,
        private string $until,
    ) {
    }

    /** @return array<string, array{texts: int, micros: int}> by hour */
    public function byHour(): array
    {
        $hours = [];
        $rows = $this->leaving()->toBase()->groupBy('hour')->orderBy('hour')
            ->selectRaw('hour, count(*) as texts, sum(price_micros) as micros')
            ->get();
        foreach ($rows as $row) {
            $hours[(string) $row->hour] = ['texts' => (int) $row->texts, 'micros' => (int) $row->micros];
        }

        return $hours;
    }

    public function heldForHours(): int
    {
        return $this->leaving()->whereIn('held', self::OUTSIDE_HOURS)->count();
    }

    public function waitForSomebody(): int
    {
        return $this->waiting()->count();
    }

    /** @return Paginator<int, ComingText> those asked for, the earliest first */
    public function texts(): Paginator
    {
        $query = match ($this->filter->show) {
            ComingFilter::YOU => $this->waiting(),
            ComingFilter::HOURS => $this->leaving()->whereIn('held', self::OUTSIDE_HOURS),
            ComingFilter::ALL => $this->leaving(),
            default => $this->ofItsTime(),
        };

        return $query->with(['person.number', 'rule', 'line', 'record.type'])
            ->orderBy('leaves_at')
            ->orderBy('id')
            ->simplePaginate(self::PER_PAGE)
            ->withQueryString();
    }

    /** @return Builder<ComingText> of the day or hour asked for */
    public function ofItsTime(): Builder
    {
        return $this->leaving()->where('hour', '>=', $this->filter->at)->where('hour', '<=', $this->filter->at.'~');
    }

    /** The minute in which a line is asked for the most. */
    public function busiestMinute(): ?BusiestMinute
    {
        $minute = DB::connection()->getDriverName() === 'pgsql' ? "date_trunc('minute', leaves_at)" : "substr(leaves_at, 1, 16) || ':00'";
        $row = $this->leaving()->toBase()->whereNotNull('line_id')
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

    /** @return Builder<ComingText> */
    private function leaving(): Builder
    {
        return $this->narrowed()
            ->where('hour', '>=', $this->from)
            ->where('hour', '<', $this->until)
            // Of this hour, what has left by now is not coming any more.
            ->where(fn (Builder $later) => $later->where('hour', '>', $this->from)->orWhere('leaves_at', '>', $this->now));
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
        $this->filter->find === '' || PersonFilter::only($query, $this->filter->find);

        return $query;
    }
}
