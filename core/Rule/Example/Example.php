<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Example;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\Zone;

/** What a rule is expected to do for somebody made up: to it what a test is to a program. */
final readonly class Example
{
    public const MOST = 20;

    /**
     * @param  \DateTimeImmutable  $at  when the rule begins for them, where no date decides it
     * @param  string  $zone  the IANA zone they are in
     * @param  array<string, string|int|float|bool|null>  $person  their fields by key
     * @param  array<string, string|int|float|bool|null>  $record  the record's fields by key; empty where the rule is about people
     * @param  list<Supposition>  $happens
     * @param  list<Expected>  $expects  in the order in which they come
     */
    public function __construct(
        public string $name,
        public \DateTimeImmutable $at,
        public string $zone,
        public array $person,
        public array $record,
        public array $happens,
        public array $expects,
    ) {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('name', 'at', 'zone', 'person', 'record', 'happens', 'expects');
        $zone = $doc->text('zone', 60);
        if (! Zone::exists($zone)) {
            throw Unreadable::at("$doc->path.zone", 'zone_expected', ['written' => $zone]);
        }
        /**
         * @var array{string, \DateTimeImmutable, array<string, string|int|float|bool|null>, array<string, string|int|float|bool|null>,
         * list<Supposition>, list<Expected>} $read
         */
        $read = $doc->gather([
            fn (): string => $doc->text('name', 80),
            fn (): \DateTimeImmutable => Moment::read($doc, 'at'),
            fn (): array => self::values($doc, 'person'),
            fn (): array => self::values($doc, 'record'),
            fn (): array => $doc->has('happens') ? $doc->each('happens', Supposition::read(...), 0, 20) : [],
            fn (): array => $doc->has('expects') ? $doc->each('expects', Expected::read(...), 0, 100) : [],
        ]);
        [$name, $at, $person, $record, $happens, $expects] = $read;

        return new self($name, $at, $zone, $person, $record, $happens, $expects);
    }

    /** @return list<self> each with a name of its own */
    public static function list(Doc $doc, string $key): array
    {
        /** @var list<self> $list */
        $list = $doc->each($key, self::read(...), 0, self::MOST);
        foreach (array_count_values(array_column($list, 'name')) as $name => $times) {
            if ($times > 1) {
                throw Unreadable::at("$doc->path.$key", 'example_twice', ['name' => (string) $name]);
            }
        }

        return $list;
    }

    /** @return array<string, string|int|float|bool|null> */
    public static function values(Doc $doc, string $key): array
    {
        $values = $doc->has($key) ? $doc->object($key) : null;
        $read = [];
        foreach (array_keys(is_array($values?->value) ? $values->value : []) as $field) {
            $read[(string) $field] = $values?->get((string) $field)->value === null ? null : $values->scalar((string) $field);
        }

        return $read;
    }

    public function called(string $name): self
    {
        return new self($name, $this->at, $this->zone, $this->person, $this->record, $this->happens, $this->expects);
    }

    /** @param  list<Expected>  $expects */
    public function expecting(array $expects): self
    {
        return new self($this->name, $this->at, $this->zone, $this->person, $this->record, $this->happens, $expects);
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return ['name' => $this->name, 'at' => $this->at->format('Y-m-d\TH:i:s\Z'), 'zone' => $this->zone]
            + ($this->person === [] ? [] : ['person' => $this->person])
            + ($this->record === [] ? [] : ['record' => $this->record])
            + ($this->happens === [] ? [] : ['happens' => array_map(fn (Supposition $one): array => $one->toDocument(), $this->happens)])
            + ($this->expects === [] ? [] : ['expects' => array_map(fn (Expected $one): array => $one->toDocument(), $this->expects)]);
    }
}
