<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Record\RecordType;

/** A record in a world on paper, or what changes about one. */
final readonly class WorldRecord
{
    /** @param  array<string, string|int|float|bool|null>  $values */
    public function __construct(public string $key, public string $type, public ?string $person, public array $values)
    {
    }

    /** @param  array<string, RecordType>  $types */
    public static function read(Doc $doc, array $types): self
    {
        $doc->allow('id', 'type', 'person', 'values');

        return new self(
            $doc->name('id'), self::type($doc, $types), $doc->has('person') ? $doc->name('person') : null, self::values($doc, $types),
        );
    }

    /** @param  array<string, RecordType>  $types */
    public static function type(Doc $doc, array $types): string
    {
        $type = $doc->name('type');

        return isset($types[$type]) && $type !== RecordType::PERSON
            ? $type
            : throw Unreadable::at("$doc->path.type", 'no_type', ['written' => $type, 'known' => array_keys($types)]);
    }

    /**
     * @param  array<string, RecordType>  $types
     * @return array<string, string|int|float|bool|null>
     */
    public static function values(Doc $doc, array $types): array
    {
        $type = $types[self::type($doc, $types)];
        $values = $doc->object('values');
        $read = [];
        foreach (array_keys(is_array($values->value) ? $values->value : []) as $key) {
            $key = (string) $key;
            if (! isset($type->fields[$key])) {
                throw Unreadable::at("$values->path.$key", 'no_field', [
                    'written' => $key,
                    'known' => array_map(strval(...), array_keys($type->fields)),
                ]);
            }
            $read[$key] = $values->get($key)->value === null ? null : $values->scalar($key);
        }

        return $read;
    }
}
