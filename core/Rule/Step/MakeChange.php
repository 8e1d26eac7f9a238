<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Record\RecordType;

/** Sets fields of the record or the person, and adds or removes tags and lists. A change like any other. */
final readonly class MakeChange implements Step
{
    /**
     * @param  array<string, scalar|null>  $set  values by path; null empties the field
     * @param  array{tag: list<string>, list: list<string>}  $add
     * @param  array{tag: list<string>, list: list<string>}  $remove
     * @param  WhichRecord|null  $record  of the person's records of the type set; null for the one the rule is about
     */
    public function __construct(
        public string $id,
        public array $set,
        public array $add,
        public array $remove,
        public ?WhichRecord $record = null,
    ) {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('id', 'do', 'set', 'record', 'add', 'remove');
        /**
         * @var array{
         *   string, array<string, scalar|null>, array{tag: list<string>, list: list<string>}, array{tag: list<string>, list: list<string>},
         *   WhichRecord|null} $read
         */
        $read = $doc->gather([
            fn (): string => $doc->name('id'),
            fn (): array => $doc->has('set') ? self::values($doc->object('set')) : [],
            fn (): array => self::labels($doc, 'add'),
            fn (): array => self::labels($doc, 'remove'),
            fn (): ?WhichRecord => $doc->has('record') ? $doc->choice('record', WhichRecord::class) : null,
        ]);
        if ($read[1] === [] && array_merge(...array_values($read[2]), ...array_values($read[3])) === []) {
            throw Unreadable::at($doc->path, 'changes_nothing');
        }

        return new self(...$read);
    }

    public function id(): string
    {
        return $this->id;
    }

    /** @return list<string> the types of record whose fields it sets */
    public function types(): array
    {
        $types = array_map(
            fn (int|string $path): string => str_contains((string) $path, '.') ? explode('.', (string) $path, 2)[0] : RecordType::PERSON,
            array_keys($this->set),
        );

        return array_values(array_diff(array_unique($types), [RecordType::PERSON]));
    }

    public function toDocument(): array
    {
        return ['id' => $this->id, 'do' => 'change'] +
            ($this->set === [] ? [] : ['set' => $this->set]) +
            ($this->record === null ? [] : ['record' => $this->record->value]) +
            array_map(
                array_filter(...),
                array_filter(['add' => $this->add, 'remove' => $this->remove], fn (array $labels): bool => array_filter($labels) !== []),
            );
    }

    /** @return array<string, scalar|null> */
    private static function values(Doc $doc): array
    {
        return $doc->gather(array_combine(
            $keys = array_map(strval(...), array_keys(is_array($doc->value) ? $doc->value : [])),
            array_map(fn (string $key): \Closure => function () use ($doc, $key): string|int|float|bool|null {
                if (preg_match('/^[\p{L}_][\p{L}\p{N}_]*(\.[\p{L}_][\p{L}\p{N}_]*)?$/Du', $key) !== 1) {
                    throw Unreadable::at("$doc->path.$key", 'field_expected', ['written' => $key]);
                }

                return $doc->get($key)->value === null ? null : $doc->scalar($key);
            }, $keys),
        ));
    }

    /** @return array{tag: list<string>, list: list<string>} */
    private static function labels(Doc $doc, string $key): array
    {
        if (! $doc->has($key)) {
            return ['tag' => [], 'list' => []];
        }
        $labels = $doc->object($key);
        $labels->allow('tag', 'list');

        return [
            'tag' => $labels->has('tag') ? $labels->texts('tag', 1, 20, 60) : [],
            'list' => $labels->has('list') ? $labels->texts('list', 1, 20, 60) : [],
        ];
    }
}
