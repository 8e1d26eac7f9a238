<?php

declare(strict_types=1);

namespace App\Records;

use App\Models\Record;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\Builder as Rows;
use Illuminate\Support\Facades\DB;

/**
 * The first records in an order that pass filters of which none leaves few. Where they let most through, the first rows in order fill the
 * page. Where they do not, the order's index is walked beside the filters', and only the rows of the page are read.
 */
final class RecordWalk
{
    /** So many rows are read and tried; fewer first, which mostly do. */
    private const READ = [500, 5000];

    /** Up to so many are held against the order's index. */
    public const SOME = 20_000;

    /** @var array<int, int> */
    private array $exactly = [];

    /**
     * @param  list<Filter>  $filters
     * @param  array<int, int>  $lets  how many each lets through, up to one more than SOME
     */
    public function __construct(private readonly RecordOrder $order, private readonly array $filters, private readonly array $lets)
    {
    }

    /** @return list<int> the first so many ids */
    public function first(int $wanted): array
    {
        $isBroad = max(0, ...$this->lets) > self::SOME;
        $ids = $isBroad ? $this->tried(self::READ, $wanted) : [];
        if (count($ids) >= $wanted) {
            return $ids;
        }
        [$from, $to] = $isBroad ? $this->span() : [null, null];
        if ($from !== null || $to !== null) {
            $ids = $this->tried([max(self::READ)], $wanted, $from, $to);
            if (count($ids) >= $wanted) {
                return $ids;
            }
        }

        return $this->order->first($this->beside($this->all($from, $to)), $wanted);
    }

    /**
     * The first rows in order, read and tried.
     *
     * @param  list<int>  $reads
     * @return list<int>
     */
    private function tried(array $reads, int $wanted, ?int $from = null, ?int $to = null): array
    {
        $ids = [];
        foreach ($reads as $read) {
            $rows = $this->all($from, $to)->select('id', 'values', 'record_type_id', 'title', 'changed_at');
            $near = $this->order->sort($rows)->limit($read);
            $query = Record::query()->fromSub($near, 'records');
            foreach ($this->filters as $filter) {
                $query->whereRaw($filter->sql, $filter->bindings);
            }
            $ids = $this->order->first($query, $wanted);
            if (count($ids) >= $wanted) {
                break;
            }
        }

        return $ids;
    }

    /**
     * Between which ids all hits are: what came in together is alike, and the first in order may all have come with one file that had
     * nothing of what is asked for.
     *
     * @return array{int|null, int|null} null where it goes as far as the type does
     */
    private function span(): array
    {
        $ends = fn (Rows $rows): array => [(int) $rows->clone()->min('id'), (int) $rows->max('id')];
        [$first, $last] = $ends($this->order->all()->toBase());
        [$from, $to] = [$first, $last];
        foreach ($this->filters as $i => $filter) {
            if (! $filter->isBroad) {
                $hits = $this->within($filter->sql, $filter->bindings)
                    ->select([])
                    ->selectRaw('count(*) as many, min(id) as first, max(id) as last')
                    ->first();
                $this->exactly[$i] = (int) ($hits->many ?? 0);
                [$from, $to] = [max($from, (int) ($hits->first ?? 0)), min($to, (int) ($hits->last ?? 0))];
            }
        }

        return [$from > $first ? $from : null, $to < $last ? $to : null];
    }

    /**
     * The order's index is walked, and the filters' are asked beside it; the sign keeps them from being walked themselves.
     *
     * @param  Builder<Record>  $query
     * @return Builder<Record>
     */
    private function beside(Builder $query): Builder
    {
        $some = array_filter($this->lets, fn (int $lets): bool => $lets <= self::SOME);
        foreach ($this->filters as $i => $filter) {
            if ($some !== [] && ! isset($some[$i])) {
                // What the narrower ones leave is read, and tried.
                $query->whereRaw("(case when $filter->sql then 1 else 0 end) = 1", $filter->bindings);

                continue;
            }
            [$is, $ids] = $this->fewer($filter, $i);
            $query->whereRaw("+id $is ({$ids->toSql()})", $ids->getBindings());
        }

        return $query;
    }

    /**
     * What a filter lets through, or what it does not, whichever are fewer: they are put where each row can ask for itself. A database
     * that plans by its statistics gets the first, and finds its own way.
     *
     * @return array{string, Rows} in, or not in; the ids
     */
    private function fewer(Filter $filter, int $i): array
    {
        $let = $this->within($filter->sql, $filter->bindings);
        if ($this->lets[$i] <= self::SOME || DB::connection()->getDriverName() !== 'sqlite') {
            return ['in', $let];
        }
        $kept = array_map(fn (array $rest): Rows => $this->within(...$rest), $filter->rest);
        if (! $filter->isBroad) {
            $exactly = $this->exactly[$i] ?? $let->count();
            $count = fn (Rows $rest): int => DB::query()->fromSub($rest->clone()->limit($exactly), 'rest')->count();
            if ($exactly <= array_sum(array_map($count, $kept))) {
                return ['in', $let];
            }
        }
        $all = array_shift($kept) ?? $let;
        foreach ($kept as $rest) {
            $all->unionAll($rest);
        }

        return ['not in', $all];
    }

    /** @param  list<scalar>  $bindings */
    private function within(string $sql, array $bindings): Rows
    {
        return $this->order->all(true)->whereRaw($sql, $bindings)->toBase()->select('id');
    }

    /** @return Builder<Record> */
    private function all(?int $from, ?int $to): Builder
    {
        $query = $this->order->all($this->order->isByField());
        if ($from !== null) {
            $query->whereRaw('+id >= ?', [$from]);
        }
        if ($to !== null) {
            $query->whereRaw('+id <= ?', [$to]);
        }

        return $query;
    }
}
