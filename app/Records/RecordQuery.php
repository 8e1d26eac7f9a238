<?php

declare(strict_types=1);

namespace App\Records;

use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use Illuminate\Contracts\Pagination\Paginator;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Pagination\Paginator as SimplePaginator;
use Illuminate\Support\Facades\DB;

/**
 * A list of records, filtered, found and ordered, in about the same time whatever is asked of however many. Where a filter lets few
 * records through, they are fetched by its index and put in order; else the order is walked.
 */
final class RecordQuery
{
    /** Up to so many are fetched and sorted. */
    private const FEW = 3000;

    /** So many rows are read one by one, to be counted. */
    private const READ = 5000;

    /** Further pages are not gone to: narrowing the list leads there sooner. */
    private const PAGES = 400;

    /** Up to so many are counted. */
    public const COUNTED = 10_000;

    private readonly RecordOrder $order;

    /** @var list<int>|null ids among which every hit is; null where the order's index is walked */
    private ?array $ids = null;

    /** @var array<int, int> how many each filter lets through, up to one more than SOME */
    private array $lets = [];

    /** @param  list<Filter>  $filters */
    public function __construct(
        RecordType $type,
        private readonly array $filters,
        string $find,
        string $order,
        bool $descending,
    ) {
        $this->order = new RecordOrder($type, $order, $descending);
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
            $ids = $this->order->all(true)->whereRaw($filter->sql, $filter->bindings)->toBase()->limit(self::FEW + 1)->pluck('id')->all();
            if (count($ids) <= self::FEW && ($this->ids === null || count($ids) < count($this->ids))) {
                $this->ids = array_map(intval(...), array_values($ids));
            }
        }
        foreach ($this->ids === null ? $filters : [] as $i => $filter) {
            $this->lets[$i] = $filter->isBroad
                ? RecordWalk::SOME + 1
                : DB::query()
                    ->fromSub(
                        $this->order->all(true)
                            ->whereRaw($filter->sql, $filter->bindings)
                            ->toBase()
                            ->select('id')
                            ->limit(RecordWalk::SOME + 1),
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
            $this->filters === [] => $this->upTo(self::COUNTED),
            count($this->filters) === 1 && ! $this->filters[0]->isBroad => min(self::COUNTED, $this->lets[0]),
            // Each row would have to be read: done where there are not many of them.
            $this->upTo(self::READ + 1) <= self::READ => $this->matching()->count(),
            default => null,
        };
    }

    /** How many there are of the type, up to so many. */
    private function upTo(int $most): int
    {
        return DB::query()->fromSub($this->order->all()->toBase()->select('id')->limit($most), 'some')->count();
    }

    /**
     * All of them, in the order of their making.
     *
     * @return Builder<Record>
     */
    public function matching(): Builder
    {
        return $this->passing(false);
    }

    /** @return Builder<Record> in no order */
    private function passing(bool $byFields): Builder
    {
        $query = $this->order->all($byFields || $this->ids !== null || $this->filters !== []);
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
        if ($this->ids === null && $this->filters !== [] && (count($this->filters) > 1 || ! $this->order->isServedBy($this->filters[0]))) {
            return (new RecordWalk($this->order, $this->filters, $this->lets))->first($wanted);
        }

        return $this->order->first($this->passing($this->order->isByField()), $wanted);
    }

    /**
     * By the beginning of the title, the whole external id, or the person's name or number.
     *
     * @return list<int>
     */
    private function found(string $find): array
    {
        $folded = mb_strtolower($find, 'UTF-8');
        $ids = $this->order->all()
            ->where('title', '>=', $folded)
            ->where('title', '<', $folded."\u{10FFFF}")
            ->toBase()
            ->limit(self::FEW)
            ->pluck('id')
            ->merge($this->order->all()->where('external_id', $find)->toBase()->pluck('id'));
        $people = Person::query()->named($find)->toBase()->limit(500)->pluck('id');
        if ($people->isNotEmpty()) {
            $ids = $ids->merge($this->order->all()->whereIntegerInRaw('person_id', $people->all())->toBase()->limit(self::FEW)->pluck('id'));
        }

        return array_values($ids->map(fn (mixed $id): int => (int) $id)->unique()->take(self::FEW)->all());
    }
}
