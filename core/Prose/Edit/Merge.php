<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Edit;

/**
 * Two changes of one text put together, where they are at different places.
 *
 * Source: S. Khanna, K. Kunal, B. C. Pierce, A formal investigation of diff3 (2007): lines that all three share part the texts into pieces,
 * and in each piece one of the two must have changed nothing.
 */
final class Merge
{
    /**
     * @param  list<TextLine>  $base  what both began with
     * @param  list<TextLine>  $mine
     * @param  list<TextLine>  $theirs  what stands now
     * @return list<TextLine>|null the lines with both, by where they stand now; null where both changed the same place
     */
    public static function of(array $base, array $mine, array $theirs): ?array
    {
        $toMine = Difference::matches(self::texts($base), self::texts($mine));
        $toTheirs = Difference::matches(self::texts($base), self::texts($theirs));
        $merged = [];
        [$b, $m, $t] = [0, 0, 0];
        for ($i = 0; $i <= count($base); $i++) {
            $isEnd = $i === count($base);
            if (! $isEnd && (! isset($toMine[$i]) || ! isset($toTheirs[$i]))) {
                continue;
            }
            [$m1, $t1] = $isEnd ? [count($mine), count($theirs)] : [$toMine[$i], $toTheirs[$i]];
            $piece = self::piece(
                array_slice($base, $b, $i - $b), array_slice($mine, $m, $m1 - $m), array_slice($theirs, $t, $t1 - $t), $toTheirs,
            );
            if ($piece === null) {
                return null;
            }
            array_push($merged, ...$piece, ...($isEnd ? [] : [$theirs[$t1]]));
            [$b, $m, $t] = [$i + 1, $m1 + 1, $t1 + 1];
        }

        return $merged;
    }

    /**
     * Where a line stands now, or what was put in its place: of several lines, the one most like it.
     *
     * @param  list<TextLine>  $base  what it was seen in
     * @param  list<TextLine>  $theirs  what stands now
     * @return int|null null where nothing stands in its place
     */
    public static function place(array $base, array $theirs, int $line): ?int
    {
        $stands = Difference::matches(self::texts($base), self::texts($theirs)) + [-1 => -1, count($base) => count($theirs)];
        $above = $below = min($line, count($base));
        while (! isset($stands[$above])) {
            $above--;
        }
        while (! isset($stands[$below])) {
            $below++;
        }
        if ($above === $below) {
            return $stands[$above];
        }
        $likeness = fn (int $place): array => [
            similar_text($base[$line]->text, $theirs[$place]->text),
            -abs($place - $stands[$above] - $line + $above),
        ];
        $best = null;
        for ($place = $stands[$above] + 1; $place < $stands[$below]; $place++) {
            $best = $best === null || $likeness($place) > $likeness($best) ? $place : $best;
        }

        return $best;
    }

    /**
     * @param  list<TextLine>  $base
     * @param  list<TextLine>  $mine
     * @param  list<TextLine>  $theirs
     * @param  array<int, int>  $toTheirs
     * @return list<TextLine>|null
     */
    private static function piece(array $base, array $mine, array $theirs, array $toTheirs): ?array
    {
        [$baseText, $mineText, $theirsText] = [RuleText::join($base), RuleText::join($mine), RuleText::join($theirs)];
        if ($mineText === $baseText || $mineText === $theirsText) {
            return $theirs;
        }
        if ($theirsText !== $baseText) {
            return null;
        }

        // What was reworded stands where it stood.
        return array_map(
            fn (TextLine $line): TextLine => new TextLine(
                $line->text,
                $line->was === null ? null : self::now($line->was, $base, $theirs) ?? ($toTheirs[$line->was] ?? null),
            ),
            $mine,
        );
    }

    /**
     * @param  list<TextLine>  $base  a piece that stands unchanged
     * @param  list<TextLine>  $theirs
     */
    private static function now(int $was, array $base, array $theirs): ?int
    {
        foreach ($base as $i => $line) {
            if ($line->was === $was) {
                return $theirs[$i]->was ?? null;
            }
        }

        return null;
    }

    /**
     * @param  list<TextLine>  $lines
     * @return list<string>
     */
    private static function texts(array $lines): array
    {
        return array_map(fn (TextLine $line): string => $line->text, $lines);
    }
}
