<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Document\Nearest;
use Linnet\Core\Reason;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType;

/** The fields that texts and conditions may name. */
final readonly class KnownFields
{
    private const PERSON = ['first_name', 'last_name', 'email', 'remark', 'number', 'zone', 'locale'];

    private const AROUND = ['line.name', 'line.number', 'business.name', 'business.number'];

    private const NAMED = ['name', 'first_name', 'last_name'];

    private const STAFF = ['name', 'first_name', 'email', 'number', 'texts_allowed'];

    /** @var list<string> */
    private array $paths;

    /** @param  iterable<RecordType>  $types */
    public function __construct(iterable $types)
    {
        $known = [
            ...self::PERSON,
            ...self::AROUND,
            ...array_map(fn (string $part): string => "owner.$part", self::STAFF),
            ...array_map(fn (string $part): string => "person.$part", self::PERSON),
        ];
        foreach ($types as $type) {
            foreach ($type->fields as $field) {
                $paths = $type->key === RecordType::PERSON ? [$field->key, "person.$field->key"] : ["$type->key.$field->key"];
                foreach ($paths as $path) {
                    array_push(
                        $known,
                        $path,
                        ...array_map(fn (string $part): string => "$path.$part", match ($field->kind) {
                            FieldKind::Staff => self::STAFF,
                            FieldKind::Person => self::NAMED,
                            default => [],
                        }),
                    );
                }
            }
        }
        $this->paths = $known;
    }

    /** Why a field cannot be named, with the nearest real one; null where there is such a field. */
    public function wrong(string $path): ?Reason
    {
        return in_array($path, $this->paths, true)
            ? null
            : new Reason('check.unknown_field', ['field' => $path, 'nearest' => Nearest::to($path, $this->paths) ?? '']);
    }
}
