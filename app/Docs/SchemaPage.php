<?php

declare(strict_types=1);

namespace App\Docs;

/**
 * A JSON Schema (2020-12) as a page to read: what each part may hold, in tables.
 *
 * @phpstan-type Schema array<string, mixed>
 */
final class SchemaPage
{
    /** @param  Schema  $schema */
    public static function of(array $schema, string $file): string
    {
        $lines = [
            '# '.$schema['title'], '', $schema['description'] ?? '', '',
            "Keys in bold have to be there. This page is made from [$file]($file) by `php artisan linnet:reference`.", '',
            '## The document', '',
            ...self::object($schema),
        ];
        /** @var array<string, Schema> $parts */
        $parts = $schema['$defs'] ?? [];
        foreach ($parts as $name => $part) {
            array_push($lines, '', '## '.self::title($name), '', ...self::part($part));
        }

        return trim(preg_replace("/\n{3,}/", "\n\n", implode("\n", $lines)) ?? '')."\n";
    }

    /**
     * @param  Schema  $part
     * @return list<string>
     */
    private static function part(array $part): array
    {
        $lines = isset($part['description']) ? [$part['description'], ''] : [];
        if (isset($part['properties'])) {
            return [...$lines, ...self::object($part)];
        }
        /** @var list<Schema> $kinds */
        $kinds = $part['oneOf'] ?? [];
        if (array_filter($kinds, fn (array $kind): bool => isset($kind['properties'])) === []) {
            return [...$lines, ucfirst(self::says($part)).'.'];
        }
        foreach ($kinds as $kind) {
            array_push(
                $lines,
                '### '.self::kind($kind),
                '',
                ...isset($kind['properties'])
                    ? [...isset($kind['description']) ? [$kind['description'], ''] : [], ...self::object($kind)]
                    : [ucfirst(self::says($kind)).'.'],
                ...[''],
            );
        }

        return $lines;
    }

    /**
     * What tells one kind from another: its constant, or what it must have.
     *
     * @param  Schema  $kind
     */
    private static function kind(array $kind): string
    {
        /** @var array<string, Schema> $properties */
        $properties = $kind['properties'] ?? [];
        foreach ($properties as $key => $property) {
            if (isset($property['const']) || isset($property['enum']) && in_array($key, ['on', 'do', 'test', 'policy'], true)) {
                return "`$key`: ".self::says($property);
            }
        }
        $must = $kind['required'] ?? array_keys($properties);

        return $properties === []
            ? ucfirst(self::says($kind))
            : 'With '.implode(' and ', array_map(fn (mixed $key): string => "`$key`", (array) $must));
    }

    /**
     * @param  Schema  $object
     * @return list<string>
     */
    private static function object(array $object): array
    {
        $rows = self::rows($object, '');

        return $rows === [] ? [] : ['| key | holds | |', '|---|---|---|', ...$rows];
    }

    /**
     * @param  Schema  $object
     * @return list<string>
     */
    private static function rows(array $object, string $within): array
    {
        $rows = [];
        /** @var array<string, Schema> $properties */
        $properties = $object['properties'] ?? [];
        foreach ($properties as $key => $property) {
            $must = in_array($key, (array) ($object['required'] ?? []), true);
            $rows[] = sprintf(
                '| %s`%s`%s | %s | %s |', $must ? '**' : '', $within.$key, $must ? '**' : '', self::cell(self::says($property)),
                self::cell((string) ($property['description'] ?? '')),
            );
            $inner = $property['items'] ?? $property;
            if (is_array($inner) && isset($inner['properties'])) {
                array_push($rows, ...self::rows($inner, $within.$key.(isset($property['items']) ? '[].' : '.')));
            }
        }

        return $rows;
    }

    /** @param  Schema  $schema */
    private static function says(array $schema): string
    {
        $range = fn (string $least, string $most): string => match (true) {
            isset($schema[$least], $schema[$most]) => " of {$schema[$least]} to {$schema[$most]}",
            isset($schema[$most]) => " of up to {$schema[$most]}",
            isset($schema[$least]) => " of {$schema[$least]} or more",
            default => '',
        };

        return match (true) {
            isset($schema['$ref']) => '['.
                self::title(basename((string) $schema['$ref'])).
                '](#'.
                str_replace('_', '-', basename((string) $schema['$ref'])).
                ')',
            array_key_exists('const', $schema) => '`'.json_encode($schema['const'], JSON_UNESCAPED_UNICODE).'`',
            isset($schema['enum']) => implode(
                ', ',
                array_map(fn (mixed $one): string => '`'.json_encode($one, JSON_UNESCAPED_UNICODE).'`', (array) $schema['enum']),
            ),
            isset($schema['oneOf']) && ! isset($schema['properties']) => implode(
                ' or ',
                array_unique(array_map(self::says(...), (array) $schema['oneOf'])),
            ),
            isset($schema['allOf']) => implode(', ', array_map(self::says(...), (array) $schema['allOf'])),
            default => match ($schema['type'] ?? null) {
                'array' => 'a list'.
                    $range('minItems', 'maxItems').
                    (isset($schema['items']) ? ': '.self::says((array) $schema['items']) : ''),
                'object' => isset($schema['properties'])
                    ? 'an object with '.
                        implode(', ', array_map(fn (string $key): string => "`$key`", array_keys((array) $schema['properties'])))
                    : 'an object'.
                        (is_array($schema['additionalProperties'] ?? null)
                            ? ' of names, each with '.self::says($schema['additionalProperties'])
                            : ''),
                'string' => 'text'.
                    (isset($schema['format'])
                        ? " ({$schema['format']})"
                        : (isset($schema['pattern'])
                            ? " like `{$schema['pattern']}`"
                            : '')).
                    (isset($schema['maxLength']) ? ", up to {$schema['maxLength']} characters" : ''),
                'integer' => 'a whole number'.$range('minimum', 'maximum'),
                'number' => 'a number'.$range('minimum', 'maximum'),
                'boolean' => '`true` or `false`',
                'null' => '`null`',
                default => is_array($schema['type'] ?? null)
                    ? implode(' or ', array_map(fn (mixed $type): string => self::says(['type' => $type]), $schema['type']))
                    : 'anything',
            },
        };
    }

    private static function title(string $name): string
    {
        return ucfirst(str_replace('_', ' ', $name));
    }

    private static function cell(string $text): string
    {
        return str_replace('|', '\\|', $text);
    }
}
