<?php

declare(strict_types=1);

namespace Linnet\Core\Starter;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Rule;

/** Who plays the parts of a starter: somebody's own types, fields, choices and line. */
final readonly class Cast
{
    /**
     * @param  array<string, string>  $types  ours by theirs
     * @param  array<string, string>  $fields  the key of ours by the path of theirs
     * @param  array<string, array<string, string>>  $choices  ours by theirs, by the path of theirs
     * @param  string  $line  the key of ours
     */
    public function __construct(private array $types, private array $fields, private array $choices, private string $line)
    {
    }

    /**
     * The starter's rule with all of its parts played.
     *
     * @throws Unreadable
     */
    public function rule(Starter $starter): Rule
    {
        $document = $starter->rule->toDocument();
        $document['trigger'] = $this->trigger(is_array($document['trigger'] ?? null) ? $document['trigger'] : []);

        return Rule::read(Doc::of($this->walk($document)));
    }

    /**
     * @param  array<array-key, mixed>  $trigger  which names its field by its key alone
     * @return array<array-key, mixed>
     */
    private function trigger(array $trigger): array
    {
        $type = is_string($trigger['type'] ?? null) ? $trigger['type'] : '';
        if (is_string($trigger['field'] ?? null)) {
            $path = "$type.{$trigger['field']}";
            foreach (['from', 'to'] as $side) {
                if (is_string($trigger[$side] ?? null)) {
                    $trigger[$side] = $this->choices[$path][$trigger[$side]] ?? $trigger[$side];
                }
            }
            $trigger['field'] = $this->fields[$path] ?? $trigger['field'];
        }

        return $trigger;
    }

    private function walk(mixed $value): mixed
    {
        if (is_string($value)) {
            return $this->inWords($this->path($value));
        }
        if (! is_array($value)) {
            return $value;
        }
        $value = $this->withChoices($value);
        $walked = [];
        foreach ($value as $key => $one) {
            $name = is_string($key) ? $this->path($key) : $key;
            $walked[$name] = match (true) {
                in_array($key, ['type', 'related', 'of'], true) && is_string($one) => $this->types[$one] ?? $one,
                $key === 'key' && $one === Starter::LINE, $key === 'keys' => $one === Starter::LINE ? $this->line : $one,
                default => $this->walk($one),
            };
        }

        return $walked;
    }

    /**
     * A choice that a field is compared with, or set to.
     *
     * @param  array<array-key, mixed>  $value
     * @return array<array-key, mixed>
     */
    private function withChoices(array $value): array
    {
        if (is_string($value['field'] ?? null) && isset($value['test'], $value['value'])) {
            $choices = $this->choices[$value['field']] ?? [];
            $said = fn (mixed $one): mixed => is_string($one) ? $choices[$one] ?? $one : $one;
            $value['value'] = is_array($value['value'])
                ? array_values(array_unique(array_map($said, $value['value']), SORT_REGULAR))
                : $said($value['value']);
        }
        if (is_array($value['set'] ?? null)) {
            $value['set'] = array_combine(
                array_keys($value['set']),
                array_map(
                    fn (int|string $path, mixed $one): mixed => is_string($one) ? $this->choices[$path][$one] ?? $one : $one,
                    array_keys($value['set']),
                    $value['set'],
                ),
            );
        }

        return $value;
    }

    /** A path of theirs as ours: booking.start is appointment.begins. */
    private function path(string $path): string
    {
        $parts = explode('.', $path, 3);
        $type = $parts[0];
        $theirs = count($parts) > 1 ? "$type.$parts[1]" : RecordType::PERSON.".$path";
        if (! isset($this->fields[$theirs])) {
            return $path;
        }
        $ours = count($parts) > 1 ? ($this->types[$type] ?? $type).'.'.$this->fields[$theirs] : $this->fields[$theirs];

        return isset($parts[2]) ? "$ours.$parts[2]" : $ours;
    }

    /** The merge fields of a text. */
    private function inWords(string $words): string
    {
        return preg_replace_callback(
            '/\{\{.*?\}\}/s',
            fn (array $tag): string => preg_replace_callback(
                '/"[^"]*"|(?<![\w.])[a-z_][\w]*(?:\.[\w]+)+/u',
                fn (array $path): string => str_starts_with($path[0], '"') ? $path[0] : $this->path($path[0]),
                $tag[0],
            ) ?? $tag[0],
            $words,
        ) ?? $words;
    }
}
