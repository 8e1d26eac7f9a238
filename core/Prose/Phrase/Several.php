<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Phrase;

use Linnet\Core\Prose\Found;
use Linnet\Core\Prose\Reading;
use Linnet\Core\Prose\Written;

/**
 * A list under a key, each of its items said by the same phrase with joins between them. An item that is no object is said as one with
 * its value under "".
 */
final readonly class Several implements Phrase
{
    /** What stands under the one key of an item that is no object. */
    public const SELF = '';

    /**
     * @param  Phrase  $between  any two but the last
     * @param  Phrase  $last  the last two
     */
    public function __construct(
        private string $key,
        private Phrase $item,
        private Phrase $between,
        private Phrase $last,
        private int $least = 1,
        private int $most = 1000,
    ) {
    }

    public function write(array $value): iterable
    {
        $list = $value[$this->key] ?? null;
        if (! is_array($list) || ! array_is_list($list) || count($list) < $this->least || count($list) > $this->most) {
            return;
        }
        $parts = [];
        foreach ($list as $i => $item) {
            $said = self::whole($this->item->write(is_array($item) ? $item : [self::SELF => $item]));
            if ($said === null) {
                return;
            }
            $join = $i === 0 ? [] : (self::whole(($i === count($list) - 1 ? $this->last : $this->between)->write([])) ?? []);
            array_push($parts, ...$join, ...$said);
        }
        yield new Written($parts, array_diff_key($value, [$this->key => true]));
    }

    public function read(Reading $in, int $at): iterable
    {
        foreach ($in->at($this->item, $at) as $first) {
            yield from $this->more($in, [self::item($first->value)], $first->end, false);
        }
    }

    /**
     * @param  list<mixed>  $before
     * @return iterable<Found>
     */
    private function more(Reading $in, array $before, int $at, bool $closed): iterable
    {
        if (count($before) >= $this->least) {
            yield new Found([$this->key => $before], $at);
        }
        if ($closed || count($before) >= $this->most) {
            return;
        }
        $same = $this->between === $this->last;
        foreach ($same ? [[$this->between, false]] : [[$this->last, true], [$this->between, false]] as [$join, $closes]) {
            foreach ($in->at($join, $at) as $joined) {
                foreach ($in->at($this->item, $joined->end) as $one) {
                    yield from $this->more($in, [...$before, self::item($one->value)], $one->end, $closes);
                }
            }
        }
    }

    /** @param  array<array-key, mixed>  $value */
    private static function item(array $value): mixed
    {
        return array_keys($value) === [self::SELF] ? $value[self::SELF] : $value;
    }

    /**
     * @param  iterable<Written>  $ways
     * @return list<\Linnet\Core\Prose\Part>|null
     */
    private static function whole(iterable $ways): ?array
    {
        foreach ($ways as $one) {
            if ($one->isWhole()) {
                return $one->parts;
            }
        }

        return null;
    }
}
