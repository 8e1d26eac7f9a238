<?php

declare(strict_types=1);

namespace App\Records;

use App\Models\Field;
use App\Models\Record;
use App\Models\RecordType;
use Illuminate\Database\Eloquent\Builder;

/** The order of a list of records of one type: by a field, the title, the last change, or as they were made. */
final readonly class RecordOrder
{
    public function __construct(public RecordType $type, private string $by, private bool $descending)
    {
    }

    /** Whether it is by a field, whose index holds nothing of other types. */
    public function isByField(): bool
    {
        return $this->type->field($this->by) !== null;
    }

    /** A filter on just what the list is ordered by, or on one value in the order of making: its own index serves both. */
    public function isServedBy(Filter $filter): bool
    {
        $column = $this->column();

        return $column === null
            ? preg_match('/^[^<>]+ (= (\?|lower\(\?\))|is null)$/', $filter->sql) === 1
            : str_contains($filter->sql, $column) && ! str_contains($filter->sql, ' or ');
    }

    /**
     * @param  bool  $byFields  so that the indexes of the type's fields are used, and no other
     * @return Builder<Record> all of the type, in no order
     */
    public function all(bool $byFields = false): Builder
    {
        return $byFields
            ? Record::query()->whereRaw(FieldColumn::ofType($this->type->id))
            : Record::query()->where('record_type_id', $this->type->id);
    }

    /**
     * @param  Builder<Record>  $query
     * @return list<int> the first so many ids
     */
    public function first(Builder $query, int $wanted): array
    {
        return array_values(array_map(intval(...), $this->sort($query)->toBase()->limit($wanted)->pluck('id')->all()));
    }

    /**
     * @param  Builder<Record>  $query
     * @return Builder<Record>
     */
    public function sort(Builder $query): Builder
    {
        $direction = $this->descending ? 'desc' : 'asc';
        $column = $this->column();
        if ($column !== null) {
            $query->orderByRaw("$column $direction");
        }

        return $query->orderBy('id', $direction);
    }

    private function column(): ?string
    {
        $field = $this->type->field($this->by);

        return match (true) {
            $field instanceof Field && FieldColumn::isListed($field) => FieldColumn::sql($field),
            $this->by === 'changed' => 'changed_at',
            $this->by === 'title' => 'title',
            default => null,
        };
    }
}
