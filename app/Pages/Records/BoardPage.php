<?php

declare(strict_types=1);

namespace App\Pages\Records;

use App\Models\Business;
use App\Models\Field;
use App\Models\Record;
use App\Models\RecordType;
use App\Records\FieldColumn;
use App\Records\Shown;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;
use Linnet\Core\Record\FieldKind;

/** Records as cards, in a column for each choice of a field. */
final class BoardPage
{
    public const CARDS = 16;

    private const COUNTED = 1000;

    /** @var list<array{value: string, cards: Collection<int, Record>, count: string}> */
    public readonly array $columns;

    public readonly Shown $shown;

    /** @var list<string> the fields a card says, by their keys */
    private readonly array $said;

    public function __construct(public readonly RecordType $type, public readonly Field $by, Business $business)
    {
        $columns = [];
        foreach ([...($by->options ?? []), ''] as $value) {
            $cards = $this->of($value)->with('person.number')->orderByDesc('id')->limit(self::CARDS)->get();
            $count = count($cards) < self::CARDS ? count($cards) : $this->of($value)->toBase()->limit(self::COUNTED)->pluck('id')->count();
            if ($value !== '' || $count > 0) {
                $columns[] = [
                    'value' => $value,
                    'cards' => $cards,
                    'count' => $count < self::COUNTED ? number_format($count) : number_format(self::COUNTED).' or more',
                ];
            }
        }
        $this->columns = $columns;
        $values = array_merge(
            ...array_map(
                fn (array $column): array => $column['cards']->map(fn (Record $record): array => $record->values)->all(),
                $columns,
            ),
            ...[[]],
        );
        $money = $type->fields->where('kind', FieldKind::Money)->pluck('key')->all();
        $this->said = array_values(array_filter([$type->start_field, ...$money]));
        $this->shown = new Shown($type, $values, $business->zone, $business->currency());
    }

    /** @return list<string> what a card says beside its title and person */
    public function says(Record $record): array
    {
        $values = $record->values;

        return array_values(
            array_filter(array_map(fn (string $key): string => $this->shown->key($key, $values[$key] ?? null), $this->said)),
        );
    }

    /** @return Builder<Record> */
    private function of(string $value): Builder
    {
        $query = Record::query()->whereRaw(FieldColumn::ofType($this->type->id));

        return $value === ''
            ? $query->whereRaw(FieldColumn::sql($this->by).' is null')
            : $query->whereRaw(FieldColumn::sql($this->by).' = ?', [$value]);
    }
}
