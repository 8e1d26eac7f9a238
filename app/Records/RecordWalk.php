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

    /** Where a filter lets more through than so many, it is worth looking whether all of them came in together. */
    private const MANY = 150_000;

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
        $ids = max(0, ...$this->lets) > self::SOME ? $this->tried($wanted) : [];
        if (count($ids) >= $wanted) {
            return $ids;
        }
        if (min(self::SOME + 1, ...$this->lets) <= self::SOME) {
            return $this->order->first($this->beside($this->all(null, null), []), $wanted);
        }
        $exactly = [];
        foreach ($this->filters as $i => $filter) {
            $filter->isBroad || $exactly[$i] = $this->within($filter->sql, $filter->bindings)->count();
        }
        [$from, $to] = $this->span(array_filter($exactly, fn (int $many): bool => $many > self::MANY));
        if ($from !== null || $to !== null) {
            $ids = $this->tried($wanted, $from, $to);
            if (count($ids) >= $wanted) {
                return $ids;
            }
        }

        return $this->order->first($this->beside($this->all($from, $to), $exactly), $wanted);
    }

    /**
     * The first rows in order, read and tried; no more of them where none of the first is a hit.
     *
     * @return list<int>
     */
    private function tried(int $wanted, ?int $from = null, ?int $to = null): array
    {
        $ids = [];
        foreach (self::READ as $read) {
            $rows = $this->all($from, $to)->select('id', 'values', 'record_type_id', 'person_id', 'title', 'changed_at');
            $near = $this->order->sort($rows)->limit($read);
            $query = Record::query()->fromSub($near, 'records');
            foreach ($this->filters as $filter) {
                $query->whereRaw($filter->sql, $filter->bindings);
            }
            $ids = $this->order->first($query, $wanted);
            if ($ids === [] || count($ids) >= $wanted) {
                break;
            }
        }

        return $ids;
    }

    /**
     * Between which ids all hits are: what came in together is alike, and the first in order may all have come with one file that had
     * nothing of what is asked for.
     *
     * @param  array<int, int>  $many  the filters that are asked, as keys
     * @return array{int|null, int|null} null where it goes about as far as the type does
     */
    private function span(array $many): array
    {
        if ($many === []) {
            return [null, null];
        }
        $all = $this->order->all()->toBase();
        [$first, $last] = [(int) $all->clone()->min('id'), (int) $all->max('id')];
        [$from, $to] = [$first, $last];
        foreach (array_intersect_key($this->filters, $many) as $filter) {
            $hits = $this->within($filter->sql, $filter->bindings)->select([])->selectRaw('min(id) as first, max(id) as last')->first();
            [$from, $to] = [max($from, (int) ($hits->first ?? 0)), min($to, (int) ($hits->last ?? 0))];
        }
        $little = ($last - $first) / 20;

        return [$from > $first + $little ? $from : null, $to < $last - $little ? $to : null];
    }

    /**
     * The order's index is walked, and the filters' are asked beside it; the sign keeps them from being walked themselves.
     *
     * @param  Builder<Record>  $query
     * @param  array<int, int>  $exactly  how many filters let through, where that is known
     * @return Builder<Record>
     */
    private function beside(Builder $query, array $exactly): Builder
    {
        $some = array_filter($this->lets, fn (int $lets): bool => $lets <= self::SOME);
        foreach ($this->filters as $i => $filter) {
            if ($filter->byRow || ($some !== [] && ! isset($some[$i]))) {
                // What the narrower ones leave is read, and tried.
                $query->whereRaw("(case when $filter->sql then 1 else 0 end) = 1", $filter->bindings);

                continue;
            }
            [$is, $ids] = $this->fewer($filter, $this->lets[$i] <= self::SOME ? $this->lets[$i] : $exactly[$i] ?? null);
            $query->whereRaw("+id $is ({$ids->toSql()})", $ids->getBindings());
        }

        return $query;
    }

    /**
     * What a filter lets through, or what it does not, whichever are fewer: they are put where each row can ask for itself. A database
     * that plans by its statistics gets the first, and finds its own way.
     *
     * @param  int|null  $lets  how many it lets through; null where no index tells
     * @return array{string, Rows} in, or not in; the ids
     */
    private function fewer(Filter $filter, ?int $lets): array
    {
        $let = $this->within($filter->sql, $filter->bindings);
        if (($lets !== null && $lets <= self::MANY) || DB::connection()->getDriverName() !== 'sqlite') {
            return ['in', $let];
        }
        $kept = array_map(fn (array $rest): Rows => $this->within(...$rest), $filter->rest);
        if ($lets !== null) {
            $count = fn (Rows $rest): int => DB::query()->fromSub($rest->clone()->limit($lets), 'rest')->count();
            if ($lets <= array_sum(array_map($count, $kept))) {
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
