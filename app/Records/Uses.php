<?php

declare(strict_types=1);

namespace App\Records;

use App\Models\Field;
use App\Models\RecordType;
use App\Models\Rule;
use App\Models\Source;
use Illuminate\Database\Eloquent\Collection;

/** Who counts on a field: rules and sources, by name. */
final readonly class Uses
{
    /**
     * @param  Collection<int, Rule>  $rules
     * @param  Collection<int, Source>  $sources
     */
    private function __construct(private RecordType $type, private Collection $rules, private Collection $sources)
    {
    }

    public static function ofFields(RecordType $type): self
    {
        return new self(
            $type, Rule::query()->with('version')->orderBy('name')->get(), Source::query()->orderBy('name')->get(),
        );
    }

    /** @return list<Rule> */
    public function rules(Field $field): array
    {
        $type = $this->type;
        $path = preg_quote($type->isPeople() ? $field->key : "$type->key.$field->key", '/');
        $names = '/(?<![\w.])(?:person\.)?'.$path.'(?![\w])/';

        return array_values(
            $this->rules
                ->filter(function (Rule $rule) use ($names, $type, $field): bool {
                    foreach (array_filter([$rule->draft, $rule->version?->document]) as $document) {
                        $trigger = $document['trigger'] ?? [];
                        if (
                            (($trigger['type'] ?? '') === $type->key && ($trigger['field'] ?? '') === $field->key) ||
                            self::mentions($document, $names)
                        ) {
                            return true;
                        }
                    }

                    return false;
                })->all());
    }

    /** @return list<Source> */
    public function sources(Field $field): array
    {
        $type = $this->type;
        $group = $type->isPeople() ? 'person' : 'fields';

        return array_values(
            $this->sources
                ->filter(
                    fn (Source $source): bool => ($type->isPeople() || ($source->mapping['type'] ?? '') === $type->key) &&
                        isset($source->mapping[$group][$field->key]),
                )
                ->all(),
        );
    }

    private static function mentions(mixed $node, string $names): bool
    {
        if (is_string($node)) {
            return preg_match($names, $node) === 1;
        }
        foreach (is_array($node) ? $node : [] as $part) {
            if (self::mentions($part, $names)) {
                return true;
            }
        }

        return false;
    }
}
