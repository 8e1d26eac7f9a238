<?php

declare(strict_types=1);

namespace App\Pages;

use App\Clock\TimeFormatter;
use App\Models\Business;
use App\Models\ChosenColumns;
use App\Models\Consent;
use App\Models\Field;
use App\Models\Label;
use App\Models\Person;
use App\Models\RecordType;
use App\Models\Staff;
use App\Records\Shown;
use Illuminate\Support\Collection;
use Illuminate\Support\Str;
use Linnet\Core\Number\Numbers;

/** The table of people: the columns there are, those that somebody looks at, and what stands in them. */
final class PeopleColumns
{
    private const THERE = [
        'number' => 'Number', 'kind' => 'Kind', 'where' => 'Where', 'may' => 'May we text them?', 'email' => 'Email', 'tags' => 'Tags',
        'lists' => 'Lists', 'since' => 'Known since',
    ];

    /** Where nobody has chosen. */
    private const USUAL = ['number', 'kind', 'where', 'may'];

    private const LONGEST = 60;

    /** @var array<string, string> what each column is called, by its key */
    public readonly array $there;

    /** @var list<string> */
    public readonly array $shown;

    private readonly Shown $values;

    /** @var array<string, bool> which of the numbers have said stop */
    private array $stopped = [];

    public function __construct(private readonly RecordType $type, Staff $staff, private readonly Business $business)
    {
        $this->there = self::THERE + $type->fields->mapWithKeys(fn (Field $field): array => ["fields.$field->key" => $field->name])->all();
        $chosen = array_values(array_intersect(array_keys($this->there), ChosenColumns::of($staff, $type)));
        $this->shown = $chosen === [] ? self::USUAL : $chosen;
        $this->values = new Shown($type, [], $business->zone, $business->currency());
    }

    /** @param  Collection<int, Person>  $people  whom cells will be asked of */
    public function of(Collection $people): self
    {
        array_intersect($this->shown, ['tags', 'lists']) === [] || $people->each->loadMissing('labels');
        $this->stopped = ! in_array('may', $this->shown, true) ? [] : Consent::query()
            ->whereIn('number', $people->pluck('number.e164')->filter()->all())->where('scope', 'all')->orderBy('id')
            ->get(['number', 'act'])
            ->keyBy('number')->map(fn (Consent $last): bool => $last->act === 'withdrawn')->all();

        return $this;
    }

    public function hasStopped(Person $person): bool
    {
        return $this->stopped[$person->number?->e164] ?? false;
    }

    public function cell(string $column, Person $person): string
    {
        $number = $person->number;
        $says = match ($column) {
            'number' => $number === null ? '' : Numbers::pretty($number->e164),
            'kind' => $number?->kind->value === 'either' ? 'mobile or landline' : (string) $number?->kind->value,
            'where' => match (true) {
                $person->zone !== null => TimeFormatter::place($person->zone),
                $number === null => '',
                count($number->zones) === 1 => TimeFormatter::place($number->zones[0]),
                default => count($number->zones).' time zones possible',
            },
            'email' => (string) $person->email,
            'tags', 'lists' => $person->labels->filter(fn (Label $label): bool => "{$label->kind}s" === $column)->pluck('name')->join(', '),
            'since' => $person->added_at->setTimezone($this->business->zone)->format('j M Y'),
            default => $this->values->key(substr($column, strlen('fields.')), $person->fields[substr($column, strlen('fields.'))] ?? null),
        };

        return $says === '' ? '–' : Str::limit($says, self::LONGEST);
    }
}
