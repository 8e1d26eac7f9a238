<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Grammar;

use Linnet\Core\Prose\Phrase\Mapped;
use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\Slot\SpanSlot;
use Linnet\Core\Prose\Slot\TimeSlot;

/** Moments that hang on a date: "2 hours before the start", "on the day before the start of a booking, at 10:00 where they are". */
final class Offsets
{
    /**
     * Over "offset" and other keys of the document.
     *
     * @param  list<string>  $keys  of the document besides "offset"
     * @param  Phrase  $date  the date, under keys of its own
     * @param  Phrase  $day  one that has no time
     * @param  Phrase  $behind  what is said behind the date and before the time
     * @param  bool  $begins  it begins a sentence: "on the day before" where one waits "until the day before"
     */
    public static function of(array $keys, Phrase $date, Phrase $day, Phrase $behind, bool $begins): Phrase
    {
        $time = Make::slot('time', new TimeSlot);
        $theirs = Make::any(Make::turn('where they are', 'clock'), Make::also('in their time'), Make::also('by their clock'));
        $ours = Make::any(Make::means(['clock' => 'ours']), Make::seq(Make::means(['clock' => 'ours']), Make::also('by our clock')));
        $at = Make::any(Make::seq(Make::free(','), 'at', $time, $theirs), Make::seq(', at', $time, $ours));
        $atTime = Make::any(Make::seq(', at', $time, $theirs), Make::seq(', at', $time, $ours), Make::also($at));
        $clock = Make::any(Make::last(', by our clock', Make::means(['clock' => 'ours'])), Make::seq(''));
        $tail = Make::seq($behind, Make::any($atTime, $clock));
        $pinned = Make::seq($behind, $atTime);
        $fixed = fn (int $amount, string $unit, string $side, string $words, Phrase $date, Phrase $tail): Phrase => Make::seq(
            Make::means(['span' => ['amount' => $amount, 'unit' => $unit], 'side' => $side]), Make::turn($words, 'offset'), $date, $tail,
        );
        $on = $begins ? 'on ' : '';

        return new Mapped(
            ['offset', ...$keys],
            Make::any(
                $fixed(1, 'days', 'before', "{$on}the day before", $date, $pinned),
                $fixed(1, 'days', 'after', "{$on}the day after", $date, $pinned),
                ...$begins ? [$fixed(0, 'days', 'after', 'on', $day, $pinned)] : [],
                ...[
                    $fixed(0, 'days', 'after', "{$on}the day of", $date, $pinned),
                    $fixed(0, 'minutes', 'after', $begins ? 'at' : '', $date, Make::seq($behind, $clock)),
                    Make::seq(
                        Make::slot('span', new SpanSlot),
                        Make::any(
                            Make::seq(Make::means(['side' => 'before']), Make::turn('before', 'side')),
                            Make::seq(Make::means(['side' => 'after']), Make::turn('after', 'side')),
                        ),
                        $date,
                        $tail,
                    ),
                ],
            ),
            self::apart(...),
            self::together(...),
        );
    }

    /**
     * @param  array<array-key, mixed>  $document
     * @return array<array-key, mixed>|null
     */
    private static function apart(array $document): ?array
    {
        $offset = $document['offset'] ?? null;
        if (
            ! is_array($offset) ||
            array_diff(array_keys($offset), ['amount', 'unit', 'side', 'time', 'clock']) !== [] ||
            ! isset($offset['amount'], $offset['unit'], $offset['side'])
        ) {
            return null;
        }
        $path =
            isset($document['type'], $document['field']) && is_string($document['type']) && is_string($document['field'])
                ? ['path' => "{$document['type']}.{$document['field']}"]
                : [];

        return ['span' => ['amount' => $offset['amount'], 'unit' => $offset['unit']], ...$path] +
            array_diff_key($offset, ['amount' => 1, 'unit' => 1]) +
            array_diff_key($document, ['offset' => 1] + ($path === [] ? [] : ['type' => 1, 'field' => 1]));
    }

    /**
     * @param  array<array-key, mixed>  $said
     * @return array<array-key, mixed>|null
     */
    private static function together(array $said): ?array
    {
        $span = is_array($said['span'] ?? null) ? $said['span'] : [];
        // Hours and minutes are counted from a moment: a time of day cannot pin them.
        if (isset($said['time']) && in_array($span['unit'] ?? '', ['minutes', 'hours'], true)) {
            return null;
        }
        $offset = $span + array_intersect_key($said, ['side' => 1, 'time' => 1, 'clock' => 1]);
        $path = is_string($said['path'] ?? null) ? explode('.', $said['path'], 2) : null;

        return ($path === null ? [] : ['type' => $path[0], 'field' => $path[1] ?? '']) + ['offset' => $offset] +
            array_diff_key($said, ['span' => 1, 'side' => 1, 'time' => 1, 'clock' => 1, 'path' => 1]);
    }
}
