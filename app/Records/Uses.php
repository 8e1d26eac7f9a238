<?php

declare(strict_types=1);

namespace App\Records;

use App\Models\Field;
use App\Models\RecordType;
use App\Models\Rule;
use App\Models\Source;

/** Who counts on a field: rules and sources, by name. */
final class Uses
{
    /** @return list<Rule> */
    public static function rules(RecordType $type, Field $field): array
    {
        $path = preg_quote($type->isPeople() ? $field->key : "$type->key.$field->key", '/');
        $names = '/(?<![\w.])(?:person\.)?'.$path.'(?![\w])/';
        $rules = Rule::query()->with('version')->orderBy('name')->get();

        return array_values(
            $rules
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
    public static function sources(RecordType $type, Field $field): array
    {
        $group = $type->isPeople() ? 'person' : 'fields';

        return array_values(
            Source::query()
                ->orderBy('name')
                ->get()
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
