<?php

declare(strict_types=1);

namespace App\Records;

use App\Models\Field;
use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use Illuminate\Contracts\Pagination\Paginator;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\Builder as Rows;
use Illuminate\Pagination\Paginator as SimplePaginator;
use Illuminate\Support\Facades\DB;

/**
 * A list of records, filtered, found and ordered, in about the same time whatever is asked of however many. Where a filter lets few
 * records through, they are fetched by its index and put in order. Where it lets most through, the first rows in
 * order fill the page. Where it does not, the order's index is walked beside the filter's, and only the rows of the page are read.
 */
final class RecordQuery
{
    /** Up to so many are fetched and sorted. */
    private const FEW = 3000;

    /** Up to so many are held against the order's index. */
    private const SOME = 20_000;

    /** So many rows are read one by one, to be tried or counted. */
    private const READ = 5000;

    /** Further pages are not gone to: narrowing the list leads there sooner. */
    private const PAGES = 400;

    /** Up to so many are counted. */
    public const COUNTED = 10_000;

    /** @var list<int>|null ids among which every hit is; null where the order's index is walked */
    private ?array $ids = null;

    /** @var array<int, int> how many each filter lets through, up to one more than SOME */
    private array $lets = [];

    /** @param  list<Filter>  $filters */
    public function __construct(
        private readonly RecordType $type,
        private readonly array $filters,
        string $find,
        private readonly string $order,
        private readonly bool $descending,
    ) {
        if (trim($find) !== '') {
            $this->ids = $this->found(trim($find));
        }
        foreach ($filters as $i => $filter) {
            if ($this->ids !== null && count($this->ids) <= self::FEW / 10) {
                break;
            }
            if ($filter->isBroad) {
                continue;
            }
            $ids = $this->all(true)->whereRaw($filter->sql, $filter->bindings)->toBase()->limit(self::FEW + 1)->pluck('id')->all();
            if (count($ids) <= self::FEW && ($this->ids === null || count($ids) < count($this->ids))) {
                $this->ids = array_map(intval(...), array_values($ids));
            }
        }
        foreach ($this->ids === null ? $filters : [] as $i => $filter) {
            $this->lets[$i] = $filter->isBroad
                ? self::SOME + 1
                : DB::query()
                    ->fromSub(
                        $this->all(true)
                            ->whereRaw($filter->sql, $filter->bindings)
                            ->toBase()
                            ->select('id')
                            ->limit(self::SOME + 1),
                        'some',
                    )
                    ->count();
        }
    }

    /** @return Paginator<int, Record> */
    public function page(int $size): Paginator
    {
        $page = min(self::PAGES, max(1, SimplePaginator::resolveCurrentPage()));
        // The ids alone first: they are all in the indexes, and hardly a row is read that is not shown.
        $ids = array_slice($this->inOrder($page * $size + 1), ($page - 1) * $size, $size + 1);
        $records = Record::query()->whereKey($ids)->with('person.number')->get();
        $shown = $records->sortBy(fn (Record $record): int => (int) array_search($record->id, $ids, true))->values();

        return (new SimplePaginator($shown, $size, $page, ['path' => SimplePaginator::resolveCurrentPath()]))->withQueryString();
    }

    /** How many there are, up to COUNTED; null where many are and they are not counted. */
    public function count(): ?int
    {
        return match (true) {
            $this->ids !== null => $this->matching()->count(),
            $this->filters === [] => DB::query()->fromSub($this->all()->toBase()->select('id')->limit(self::COUNTED), 'some')->count(),
            count($this->filters) === 1 && ! $this->filters[0]->isBroad => min(self::COUNTED, $this->lets[0]),
            // Each row would have to be read: done where there are not many of them.
            $this->all()->toBase()->select('id')->limit(self::READ + 1)->pluck('id')->count() <= self::READ => $this->matching()->count(),
            default => null,
        };
    }

    /**
     * All of them, in the order of their making.
     *
     * @return Builder<Record>
     */
    public function matching(): Builder
    {
        $query = $this->all($this->ids !== null || $this->filters !== []);
        if ($this->ids !== null) {
            $query->whereIntegerInRaw('id', $this->ids);
        }
        foreach ($this->filters as $filter) {
            $query->whereRaw($filter->sql, $filter->bindings);
        }

        return $query;
    }

    /** @return list<int> the first so many ids */
    private function inOrder(int $wanted): array
    {
        $field = $this->type->field($this->order);
        if ($this->ids !== null || $this->filters === [] || (count($this->filters) === 1 && $this->isOwnOrder($this->filters[0]))) {
            $query = $this->all($this->ids !== null || $field !== null || $this->filters !== []);
            if ($this->ids !== null) {
                $query->whereIntegerInRaw('id', $this->ids);
            }
            foreach ($this->filters as $filter) {
                $query->whereRaw($filter->sql, $filter->bindings);
            }

            return $this->first($query, $wanted);
        }
        // Where a filter lets most through, the page is soon full: the first rows in order are read and tried.
        $some = array_filter($this->lets, fn (int $lets): bool => $lets <= self::SOME);
        if (count($some) < count($this->lets)) {
            foreach ([self::READ / 10, self::READ] as $read) {
                $near = $this->order($this->all($field !== null)->select('id', 'values', 'record_type_id', 'title', 'changed_at'))
                    ->limit($read);
                $query = Record::query()->fromSub($near, 'records');
                foreach ($this->filters as $filter) {
                    $query->whereRaw($filter->sql, $filter->bindings);
                }
                $ids = $this->first($query, $wanted);
                if (count($ids) >= $wanted) {
                    return $ids;
                }
            }
        }
        // Else the order's index is walked, and the filters' are asked beside it; the sign keeps them from being walked themselves.
        $query = $this->all($field !== null);
        foreach ($this->filters as $i => $filter) {
            if ($some !== [] && ! isset($some[$i])) {
                // What the narrower ones leave is read, and tried.
                $query->whereRaw("(case when $filter->sql then 1 else 0 end) = 1", $filter->bindings);

                continue;
            }
            [$is, $ids] = $this->fewer($filter, $this->lets[$i]);
            $query->whereRaw("+id $is ({$ids->toSql()})", $ids->getBindings());
        }

        return $this->first($query, $wanted);
    }

    /**
     * What a filter lets through, or what it does not, whichever are fewer: they are put where each row can ask for itself. A database
     * that plans by its statistics gets the first, and finds its own way.
     *
     * @param  int  $lets  how many it lets through, up to one more than SOME
     * @return array{string, Rows} in, or not in; the ids
     */
    private function fewer(Filter $filter, int $lets): array
    {
        $within = fn (string $sql, array $bindings): Rows => $this->all(true)
            ->whereRaw($sql, $bindings)
            ->toBase()
            ->select('id');
        $let = $within($filter->sql, $filter->bindings);
        if ($lets <= self::SOME || DB::connection()->getDriverName() !== 'sqlite') {
            return ['in', $let];
        }
        $kept = array_map(fn (array $rest): Rows => $within(...$rest), $filter->rest);
        $many = array_sum(array_map(fn (Rows $rest): int => $rest->count(), $kept));
        if (! $filter->isBroad && $let->count() <= $many) {
            return ['in', $let];
        }
        $all = array_shift($kept) ?? $let;
        foreach ($kept as $rest) {
            $all->unionAll($rest);
        }

        return ['not in', $all];
    }

    /**
     * @param  Builder<Record>  $query
     * @return list<int>
     */
    private function first(Builder $query, int $wanted): array
    {
        return array_values(array_map(intval(...), $this->order($query)->toBase()->limit($wanted)->pluck('id')->all()));
    }

    /**
     * @param  Builder<Record>  $query
     * @return Builder<Record>
     */
    private function order(Builder $query): Builder
    {
        $direction = $this->descending ? 'desc' : 'asc';
        $column = $this->column();
        if ($column !== null) {
            $query->orderByRaw("$column $direction");
        }

        return $query->orderBy('id', $direction);
    }

    /** A filter on just what the list is ordered by, or on one value in the order of making: its own index serves both. */
    private function isOwnOrder(Filter $filter): bool
    {
        $column = $this->column();

        return $column === null
            ? preg_match('/^[^<>]+ (= (\?|lower\(\?\))|is null)$/', $filter->sql) === 1
            : str_contains($filter->sql, $column) && ! str_contains($filter->sql, ' or ');
    }

    private function column(): ?string
    {
        $field = $this->type->field($this->order);

        return match (true) {
            $field instanceof Field && FieldColumn::isListed($field) => FieldColumn::sql($field),
            $this->order === 'changed' => 'changed_at',
            $this->order === 'title' => 'title',
            default => null,
        };
    }

    /**
     * By the beginning of the title, the whole external id, or the person's name or number.
     *
     * @return list<int>
     */
    private function found(string $find): array
    {
        $folded = mb_strtolower($find, 'UTF-8');
        $ids = $this->all()
            ->where('title', '>=', $folded)
            ->where('title', '<', $folded."\u{10FFFF}")
            ->toBase()
            ->limit(self::FEW)
            ->pluck('id')
            ->merge($this->all()->where('external_id', $find)->toBase()->pluck('id'));
        $people = Person::query()->named($find)->toBase()->limit(500)->pluck('id');
        if ($people->isNotEmpty()) {
            $ids = $ids->merge($this->all()->whereIntegerInRaw('person_id', $people->all())->toBase()->limit(self::FEW)->pluck('id'));
        }

        return array_values($ids->map(fn (mixed $id): int => (int) $id)->unique()->take(self::FEW)->all());
    }

    /**
     * @param  bool  $byFields  so that the indexes of the type's fields are used, and no other
     * @return Builder<Record>
     */
    private function all(bool $byFields = false): Builder
    {
        return $byFields
            ? Record::query()->whereRaw(FieldColumn::ofType($this->type->id))
            : Record::query()->where('record_type_id', $this->type->id);
    }
}
