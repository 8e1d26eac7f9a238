<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Engine\Store\UnitOfWork;
use App\Models\RecordType;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\ContextFactory;
use Linnet\Core\InMemory\InMemoryBusinessReader;
use Linnet\Core\InMemory\Sheet;
use Linnet\Core\Number\NumberKind;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Person;
use Linnet\Core\Record\PersonNumber;
use Linnet\Core\Record\RecordType as CoreType;
use Linnet\Core\Text\Bounds;
use Linnet\Core\Text\FirstTextAdditions;
use Linnet\Core\Text\Length;
use Linnet\Core\Text\Template\Node\Link;
use Linnet\Core\Text\Template\Node\MergeField;
use Linnet\Core\Text\Template\Node\Pick;
use Linnet\Core\Text\Template\Node\Words;
use Linnet\Core\Text\Template\Renderer;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;

/**
 * How long some words are over all there are of a type, where they are too many to ask of each whether a rule reaches it: each value that
 * is filled in is written once, by the writer of texts, and the words of each are measured.
 */
final class SpreadOfAll
{
    private const PERSON = ['first_name', 'last_name', 'email'];

    /** @var array<string, string|null> what a field comes to, by its place, value, zone and locale; null where it is missing */
    private array $written = [];

    public function __construct(private readonly UnitOfWork $unit, private readonly string $type)
    {
    }

    /** @return Bounds|null null where there is nobody, or where it names what cannot be measured so */
    public function bounds(Template $words, bool $first): ?Bounds
    {
        $columns = $this->columns($words);
        if ($columns === null) {
            return null;
        }
        $business = $this->unit->reader->business();
        /** @var array<string, Length> $lengths */
        $lengths = $times = $measured = [];
        $lacking = 0;
        $names = array_flip(array_values(array_unique($columns)));
        $columns = array_map(fn (string $column): string => "v$names[$column]", $columns);
        foreach ($this->rows(array_flip($names)) as $n => $row) {
            $text = '';
            foreach ($words->nodes as $node) {
                $part = match (true) {
                    $node instanceof Words => $node->words,
                    $node instanceof Pick => $node->choices[crc32("spread $n/$node->at") % count($node->choices)],
                    $node instanceof MergeField, $node instanceof Link => $this->value(
                        $node,
                        isset($columns[$node->path]) ? $row[$columns[$node->path]] : null,
                        $row,
                    ),
                    default => null,
                };
                if ($part === null) {
                    $lacking++;

                    continue 2;
                }
                $text .= $part;
            }
            if (! isset($measured[$text])) {
                $length = Length::of($first ? FirstTextAdditions::around($text, $business->name, $business->stopLine(false)) : $text);
                $measured[$text] = "$length->units/$length->parts";
                $lengths[$measured[$text]] = $length;
            }
            $times[$measured[$text]] = ($times[$measured[$text]] ?? 0) + 1;
        }

        return Bounds::of(array_map(fn (string $key): array => [$lengths[$key], $times[$key]], array_keys($lengths)), $lacking);
    }

    /** @return array<string, string>|null the column that decides each field, by its path; null where one cannot be told by a column */
    private function columns(Template $words): ?array
    {
        $types = $this->unit->reader->types();
        $grammar = DB::connection()->getQueryGrammar();
        $columns = [];
        foreach ($words->nodes as $node) {
            if (! $node instanceof MergeField && ! $node instanceof Link) {
                continue;
            }
            [$head, $key] = [...explode('.', $node->path), ''];
            [$type, $key] = $key === '' ? [CoreType::PERSON, $head] : [$head, $key];
            if ($head === 'owner') {
                [$type, $key] = [$this->type, ($types[$this->type] ?? null)?->ownerField() ?? ''];
            }
            if (in_array($type, ['line', 'business'], true) || ($head === 'owner' && $key === '')) {
                continue;
            }
            $field = ($types[$type] ?? null)->fields[$key] ?? null;
            $isOwn = $type === CoreType::PERSON && in_array($key, self::PERSON, true);
            if (
                ! $isOwn &&
                ($field === null ||
                    in_array($field->kind, [FieldKind::Person, FieldKind::Record], true) ||
                    ! in_array($type, [CoreType::PERSON, $this->type], true))
            ) {
                return null;
            }
            $columns[$node->path] = $isOwn
                ? "people.$key"
                : $grammar->wrap(($type === CoreType::PERSON ? 'people.fields->' : 'records.values->').$key);
        }

        return $columns;
    }

    /**
     * @param  array<int, string>  $columns
     * @return iterable<int, array<string, mixed>> one by one
     */
    private function rows(array $columns): iterable
    {
        $query = DB::table('people')
            ->join('numbers', fn ($join) => $join->on('numbers.person_id', '=', 'people.id')->where('numbers.rank', 0))
            ->whereNotNull('numbers.e164');
        if ($this->type !== CoreType::PERSON) {
            $query
                ->join('records', 'records.person_id', '=', 'people.id')
                ->where('records.record_type_id', RecordType::query()->where('key', $this->type)->value('id') ?? 0);
        }
        foreach ($columns as $i => $column) {
            $query->selectRaw("$column as v$i");
        }
        $query->selectRaw('people.zone as zone, people.locale as locale, numbers.zones as zones');
        foreach ($query->cursor() as $row) {
            yield (array) $row;
        }
    }

    /** @param  array<string, mixed>  $row */
    private function value(MergeField|Link $node, mixed $raw, array $row): ?string
    {
        $raw = is_scalar($raw) ? $raw : null;
        $place = "$node->at/$row[zone]/$row[zones]/$row[locale]/";

        return array_key_exists($place.$raw, $this->written)
            ? $this->written[$place.$raw]
            : ($this->written[$place.$raw] = $this->write($node, $raw, $row));
    }

    /** @param  array<string, mixed>  $row */
    private function write(MergeField|Link $node, string|int|float|bool|null $raw, array $row): ?string
    {
        $known = $this->unit->reader;
        $zones = json_decode((string) $row['zones'], true);
        $sheet = new Sheet($known->configuration(pools: []), $this->unit->now);
        [$head, $key] = [...explode('.', $node->path), ''];
        $own = $key === '' && $raw !== null ? [$head => $raw] : [];
        $sheet->people[1] = $person = new Person(
            1,
            'somebody',
            $own,
            [
                new PersonNumber(
                    '+447700900999', $known->business()->country, NumberKind::Mobile,
                    is_array($zones) && $zones !== [] ? array_values(array_map(strval(...), $zones)) : [$known->business()->zone],
                ),
            ],
            is_string($row['zone']) ? $row['zone'] : null,
            is_string($row['locale']) ? $row['locale'] : null,
        );
        $type = $known->types()[$this->type] ?? null;
        $record = null;
        if ($type !== null && $this->type !== CoreType::PERSON) {
            $field = $head === 'owner' ? (string) $type->ownerField() : $key;
            $record = $sheet->upsert('spread', $type->key, 1, $field === '' ? [] : [$field => $raw])->id;
        }
        $contexts = new ContextFactory(new InMemoryBusinessReader($sheet));
        $to = $contexts->receiver($person);
        $lines = $known->lines();
        try {
            return (new Renderer(
                $contexts->create(new Subject(1, $record), $lines === [] ? null : $lines[0]->key)->facts, $this->unit->now, $to->zone,
                $to->locale, $known->business()->tariff->currency, '', $known->business()->links(),
            ))->render(Template::parse($node->written()));
        } catch (TemplateError) {
            return null;
        }
    }
}
