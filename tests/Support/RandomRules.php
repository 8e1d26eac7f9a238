<?php

declare(strict_types=1);

namespace Tests\Support;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Rule;

/** Rules made by chance from a seed, out of the published schema: whatever a document may say comes up. */
final class RandomRules
{
    /** @var array<string, mixed> */
    private static array $schema = [];

    private int $ids = 0;

    private string $type = RecordType::PERSON;

    private function __construct(private readonly Names $names)
    {
    }

    /** The first rule from a seed on that can be read: what a schema cannot say is left to chance. */
    public static function of(int $seed): Rule
    {
        mt_srand($seed * 1000);

        return self::next(new AnyNames);
    }

    /** The next one as chance has it. */
    public static function next(Names $names, ?string $key = null): Rule
    {
        for ($try = 0; $try < 500; $try++) {
            try {
                return Rule::read(Doc::of(($key === null ? [] : ['key' => $key]) + (new self($names))->rule()));
            } catch (Unreadable) {
                continue;
            }
        }

        throw new \LogicException('No rule that can be read.');
    }

    /**
     * A condition in a rule about a type.
     *
     * @return array<string, mixed>
     */
    public static function condition(Names $names, string $type): array
    {
        $one = new self($names);
        $one->type = $type;

        /** @var array<string, mixed> */
        return $one->part('condition', 'condition', 2, []);
    }

    /** @return array<string, mixed> */
    public static function schema(): array
    {
        /** @var array<string, mixed> */
        return self::$schema = self::$schema ?: json_decode(
            (string) file_get_contents(dirname(__DIR__, 2).'/docs/formats/rule-1.schema.json'), true, 64, JSON_THROW_ON_ERROR,
        );
    }

    /** @return array<string, mixed> */
    private function rule(): array
    {
        $schema = self::schema();
        $schema['properties']['steps'] = ['type' => 'array', 'minItems' => 1, 'maxItems' => 4, 'items' => ['$ref' => '#/$defs/step']];
        /** @var array<string, mixed> $rule */
        $rule = $this->make($schema, 'rule', 0);
        $earlier = [];
        array_walk_recursive($rule, function (mixed &$value, int|string $key) use (&$earlier): void {
            if ($key === 'id' && is_string($value) && str_starts_with($value, 'x')) {
                $earlier[] = $value;
            }
            $value = $key === 'to' && $value === 'x1' ? $earlier[mt_rand(0, max(0, count($earlier) - 2))] ?? 'x0' : $value;
        });

        return $rule;
    }

    /**
     * @param  array<string, mixed>|true  $schema
     * @param  array<string, mixed>  $beside
     */
    private function make(array|bool $schema, string $key, int $depth, array $beside = []): mixed
    {
        $schema = is_array($schema) ? $schema : [];
        if (isset($schema['$ref'])) {
            return $this->part(basename($schema['$ref']), $key, $depth, $beside);
        }
        if (isset($schema['const'])) {
            return $schema['const'];
        }
        if (isset($schema['enum'])) {
            return Chance::one((array) $schema['enum']);
        }
        if (isset($schema['oneOf']) && ! isset($schema['properties']['do'])) {
            /** @var array<string, mixed> $chosen */
            $chosen = Chance::one((array) $schema['oneOf']);
            foreach ($chosen['properties'] ?? [] as $name => $property) {
                $chosen['properties'][$name] = $property === true ? $schema['properties'][$name] : $property;
            }

            return $this->make(
                ['required' => array_values(array_unique([...$schema['required'] ?? [], ...$chosen['required'] ?? []]))] +
                    $chosen + ['type' => 'object'],
                $key,
                $depth,
            );
        }

        return match (is_array($schema['type'] ?? null) ? 'value' : $schema['type'] ?? 'object') {
            'object' => $this->object($schema, $depth),
            'array' => $this->list($schema, $key, $depth),
            'integer' => mt_rand(
                $least = (int) ($schema['minimum'] ?? 0),
                min((int) ($schema['maximum'] ?? 100), $least + $this->names->most($key)),
            ),
            'number' => Chance::one([0, 5, 1000, 45.5, 12.25, -3, 2500000]),
            'boolean' => mt_rand(0, 1) === 1,
            'value' => $this->part('value', $key, $depth, $beside),
            default => $this->names->text($key, $this->type),
        };
    }

    /** @param  array<string, mixed>  $beside */
    private function part(string $part, string $key, int $depth, array $beside): mixed
    {
        $defs = self::schema()['$defs'];

        return match (true) {
            $part === 'name' && $key === 'id' => 'x'.(++$this->ids),
            $part === 'name' && $key === 'to' => 'x1',
            $part === 'condition' => $depth > 5
                ? ['hours' => 'open']
                : $this->make(mt_rand(0, 2) === 0 ? ['$ref' => 'field_test'] : $defs['condition'], $key, $depth + 1),
            $part === 'step' => $depth > 7
                ? ['id' => 'x'.++$this->ids, 'do' => 'end', 'outcome' => $this->names->text('outcome', $this->type)]
                : $this->make($defs['step'], $key, $depth + 1),
            default => $this->names->part($part, $key, $this->type, $beside) ?? $this->make($defs[$part], $key, $depth + 1),
        };
    }

    /**
     * @param  array<string, mixed>  $schema
     * @return array<string, mixed>
     */
    private function object(array $schema, int $depth): array
    {
        $required = $schema['required'] ?? [];
        if (isset($schema['properties']['do'])) {
            array_push($required, ...isset($schema['oneOf']) ? ((array) Chance::one((array) $schema['oneOf']))['required'] ?? [] : []);
            $schema['properties'] = array_diff_key(
                $schema['properties'],
                array_diff_key(['wordings' => 1, 'pool' => 1], array_flip($required)),
            );
        }
        $made = [];
        $about = $this->type;
        foreach ($schema['properties'] ?? [] as $name => $property) {
            if (in_array($name, $required, true) || Chance::is($this->names->often($name))) {
                $made[$name] = $this->make($property, $name, $depth + 1, $made);
            }
            // What follows is about this one: all that a trigger starts, and the condition on a related record.
            $this->type = in_array($name, ['type', 'of', 'related'], true) && isset($made[$name]) ? $made[$name] : $this->type;
        }
        $this->type = isset($made['related']) ? $about : $this->type;
        if (is_array($schema['additionalProperties'] ?? null)) {
            for ($i = mt_rand(1, 3); $i > 0; $i--) {
                [$path, $value] = $this->names->setting($this->type);
                $made[$path] = $value ?? $this->make($schema['additionalProperties'], 'set', $depth + 1);
            }
        }

        return $made === [] && ($schema['additionalProperties'] ?? true) === true && ! isset($schema['properties'])
            ? ['deal' => '{{ deal.title }}', 'n' => [1, 2.5, ['deep' => null]], 'won' => true]
            : $made;
    }

    /**
     * @param  array<string, mixed>  $schema
     * @return list<mixed>
     */
    private function list(array $schema, string $key, int $depth): array
    {
        $least = (int) ($schema['minItems'] ?? 0);
        $list = [];
        for ($i = mt_rand($least, min((int) ($schema['maxItems'] ?? 3), max($least, $depth > 4 ? 1 : 3))); $i > 0; $i--) {
            $list[] = $this->make($schema['items'] ?? [], $key, $depth + 1);
        }

        return $list;
    }
}
