<?php

declare(strict_types=1);

namespace Linnet\Core\Intake\Clean;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Record\Place;

/** Their words put into ours: a table of values. */
final readonly class Map implements Clean
{
    /** @param  array<array-key, string>  $values */
    private function __construct(private array $values, private Otherwise $otherwise)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('do', 'values', 'otherwise');
        $values = [];
        foreach ((array) $doc->object('values')->value as $from => $to) {
            $values[$from] = is_string($to) ? $to : throw Unreadable::at("$doc->path.values.$from", 'text_expected');
        }
        if ($values === [] || count($values) > 500) {
            throw Unreadable::at("$doc->path.values", 'count_expected', ['least' => 1, 'most' => 500]);
        }

        return new self($values, $doc->has('otherwise') ? $doc->choice('otherwise', Otherwise::class) : Otherwise::Keep);
    }

    public function apply(string|int|float|bool $value, string $path, Place $place): string|int|float|bool|null
    {
        $written = is_bool($value) ? ($value ? 'true' : 'false') : trim((string) $value);
        foreach ($this->values as $from => $to) {
            if (mb_strtolower((string) $from, 'UTF-8') === mb_strtolower($written, 'UTF-8')) {
                return $to === '' ? null : $to;
            }
        }

        return match ($this->otherwise) {
            Otherwise::Keep => $value,
            Otherwise::Nothing => null,
            Otherwise::Refuse => throw Refused::value('not_in_table', $path, $value, [
                'known' => array_map(strval(...), array_keys($this->values)),
            ]),
        };
    }

    public function toDocument(): array
    {
        return ['do' => 'map', 'values' => $this->values, 'otherwise' => $this->otherwise->value];
    }
}
