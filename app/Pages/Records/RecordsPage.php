<?php

declare(strict_types=1);

namespace App\Pages\Records;

use App\Models\Business;
use App\Models\Field;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\SavedFilter;
use App\Models\Staff;
use App\Records\FieldColumn;
use App\Records\Filter;
use App\Records\FilterTest;
use App\Records\RecordQuery;
use App\Records\Shown;
use Illuminate\Contracts\Pagination\Paginator;
use Illuminate\Support\Collection;
use Illuminate\Support\Str;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Place;

/** A table of records: what was asked for, and what is there. */
final class RecordsPage
{
    private const COLUMNS = 7;

    public readonly RecordQuery $query;

    /** @var list<array{field: string, test: string, value: string}> */
    public readonly array $filters;

    /** @var list<string> what could not be asked, and why */
    public readonly array $wrong;

    /** The audience it is narrowed to. */
    public readonly ?int $audience;

    public readonly string $find;

    public readonly string $order;

    public readonly bool $descending;

    /** @var Collection<int, Field>|null */
    private ?Collection $chosen = null;

    /**
     * @param  array<string, mixed>  $asked  find, f, audience, order, cols
     * @param  list<string>  $remembered  the columns chosen before
     */
    public function __construct(
        public readonly RecordType $type,
        public readonly array $asked,
        public readonly Business $business,
        \DateTimeImmutable $now,
        Belonging $belonging,
        private readonly array $remembered = [],
    ) {
        $place = new Place($business->country, $business->zone);
        $filters = $read = $wrong = [];
        foreach (array_slice(is_array($asked['f'] ?? null) ? array_values($asked['f']) : [], 0, 8) as $one) {
            $one = is_array($one)
                ? array_map(fn (mixed $part): string => is_scalar($part) ? mb_substr((string) $part, 0, 190, 'UTF-8') : '', $one)
                : [];
            $why = null;
            $filter = Filter::read($one, $type, $place, $now, $why);
            if ($filter !== null || $why !== null) {
                $filters[] = ['field' => $one['field'] ?? '', 'test' => $one['test'] ?? '', 'value' => $one['value'] ?? ''];
            }
            $filter === null ? array_push($wrong, ...array_filter([$why])) : $read[] = $filter;
        }
        $belongs = $belonging->filter($type, $asked['audience'] ?? null);
        $belongs === null || $read[] = $belongs;
        $this->audience = $belongs !== null && is_scalar($asked['audience'] ?? null) ? (int) $asked['audience'] : null;
        if ($this->audience !== null && ! isset(Belonging::offered($type)[$this->audience])) {
            $wrong[] = 'The audience that this list is narrowed to is gone, so nothing belongs to it. Choose another, or any.';
        }
        $this->filters = $filters;
        $this->wrong = $wrong;
        $this->find = is_string($asked['find'] ?? null) ? mb_substr($asked['find'], 0, 80, 'UTF-8') : '';
        $order = is_string($asked['order'] ?? null) ? $asked['order'] : '-id';
        $this->descending = str_starts_with($order, '-');
        $this->order = ltrim($order, '-');
        $this->query = new RecordQuery($type, Filter::together($read), $this->find, $this->order, $this->descending);
    }

    /** @return list<RecordColumn> beside the title */
    public function columns(): array
    {
        return array_map(
            RecordColumn::of(...),
            array_values($this->chosen()->filter(fn (Field $field): bool => $field->key !== $this->type->title_field)->all()),
        );
    }

    /** @return list<string> the fields in its columns */
    public function shown(): array
    {
        return array_values($this->chosen()->pluck('key')->all());
    }

    public function isShown(Field $field): bool
    {
        return $this->chosen()->contains('key', $field->key);
    }

    /**
     * Everything a row says, read once for each record: reading a model's attribute costs more than writing it out.
     *
     * @param  Paginator<int, Record>  $records
     * @return list<RecordRow>
     */
    public function rows(Paginator $records): array
    {
        $columns = $this->columns();
        $asked = array_column($columns, 'key', 'key');
        $values = array_map(fn (Record $record): array => array_intersect_key($record->values, $asked), array_values($records->items()));
        $shown = new Shown($this->type, $values, $this->business->zone, $this->business->currency());
        $rows = [];
        foreach (array_values($records->items()) as $i => $record) {
            $cells = [];
            foreach ($columns as $column) {
                $cells[] = Str::limit($shown->key($column->key, $values[$i][$column->key] ?? null), $column->longest);
            }
            $rows[] = new RecordRow(
                $record->id, $record->setRelation('type', $this->type)->called(), $record->person?->name(), $record->person_id, $cells,
                $record->changed_at,
            );
        }

        return $rows;
    }

    /** @return Collection<int, Field> */
    private function chosen(): Collection
    {
        return $this->chosen ??= $this->choose();
    }

    /** @return Collection<int, Field> */
    private function choose(): Collection
    {
        $chosen = array_filter(is_array($this->asked['cols'] ?? null) ? $this->asked['cols'] : $this->remembered, is_string(...));
        if ($chosen !== []) {
            return $this->type->fields->whereIn('key', $chosen)->values();
        }
        $first = array_filter([$this->type->title_field, $this->type->stage_field, $this->type->start_field]);

        return $this->type->fields
            ->filter(
                fn (Field $field): bool => $field->kind !== FieldKind::LongText &&
                    $field->key !== $this->type->person_field &&
                    $field->key !== $this->type->end_field,
            )
            ->sortBy(
                fn (Field $field): int => in_array($field->key, $first, true)
                    ? (int) array_search($field->key, array_values($first), true)
                    : 10 + $field->position,
            )
            ->take(self::COLUMNS)
            ->values();
    }

    /**
     * What filters may ask, for the page's script: by field, its tests and choices.
     *
     * @return array<string, array{name: string, tests: array<array-key, string>, options: array<int, string>}>
     */
    public function fields(): array
    {
        $staff = null;
        $fields = [];
        foreach ($this->type->fields as $field) {
            if (FieldColumn::isListed($field)) {
                $tests = [];
                foreach (FilterTest::for($field->kind) as $test) {
                    $tests[$test->value] = $test->says();
                }
                $fields[$field->key] = [
                    'name' => $field->name,
                    'tests' => $tests,
                    'options' => match ($field->kind) {
                        FieldKind::Choice => $field->options ?? [],
                        FieldKind::YesNo => ['yes', 'no'],
                        FieldKind::Staff => ($staff ??= Staff::query()
                            ->orderBy('name')
                            ->get(['id', 'name'])
                            ->map(fn (Staff $one): string => "#$one->id $one->name")
                            ->all()),
                        default => [],
                    },
                ];
            }
        }

        return $fields;
    }

    /** The filters as words. */
    public function said(int $i): string
    {
        $filter = $this->filters[$i];
        $test = FilterTest::from($filter['test']);
        $value = preg_replace('/^#\d+ /', '', $filter['value']);

        return ($this->type->field($filter['field'])->name ?? $filter['field']).
            ' '.
            ($test->takesValue()
                ? (str_contains($test->says(), '…')
                    ? str_replace('…', (string) $value, $test->says())
                    : $test->says()." “{$value}”")
                : $test->says());
    }

    /** @return array<string, mixed> the query of this list without one filter */
    public function without(int $i): array
    {
        $filters = $this->filters;
        unset($filters[$i]);

        return ['f' => array_values($filters)] + $this->kept();
    }

    /** @return array<string, mixed> what was asked, as an address holds it */
    public function kept(): array
    {
        return array_filter(
            [
                'f' => $this->filters, 'find' => $this->find, 'audience' => (string) $this->audience,
                'order' => $this->order === 'id' && $this->descending ? '' : ($this->descending ? '-' : '').$this->order,
                'cols' => is_array($this->asked['cols'] ?? null) ? array_values(array_filter($this->asked['cols'], is_string(...))) : [],
            ],
            fn (mixed $part): bool => $part !== '' && $part !== [],
        );
    }

    /** @return array<string, mixed> the same list in another order */
    public function orderedBy(string $key): array
    {
        return ['order' => $this->order === $key && ! $this->descending ? "-$key" : $key] + $this->kept();
    }

    /** @return Collection<int, SavedFilter> */
    public function saved(): Collection
    {
        return SavedFilter::query()->where('record_type_id', $this->type->id)->orderBy('name')->get();
    }
}
