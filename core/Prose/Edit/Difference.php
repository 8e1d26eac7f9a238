<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Edit;

/** What of two texts is the same, line by line, in the longest order that both have. */
final class Difference
{
    /**
     * @param  list<string>  $from
     * @param  list<string>  $to
     * @return array<int, int> the place in the second by the place in the first
     */
    public static function matches(array $from, array $to): array
    {
        [$n, $m] = [count($from), count($to)];
        $length = array_fill(0, $n + 1, array_fill(0, $m + 1, 0));
        for ($i = $n - 1; $i >= 0; $i--) {
            for ($j = $m - 1; $j >= 0; $j--) {
                $length[$i][$j] = $from[$i] === $to[$j] ? $length[$i + 1][$j + 1] + 1 : max($length[$i + 1][$j], $length[$i][$j + 1]);
            }
        }
        $matches = [];
        for ($i = $j = 0; $i < $n && $j < $m;) {
            if ($from[$i] === $to[$j]) {
                $matches[$i++] = $j++;
            } elseif ($length[$i + 1][$j] >= $length[$i][$j + 1]) {
                $i++;
            } else {
                $j++;
            }
        }

        return $matches;
    }

    /**
     * The lines of both in their order: those that went, those that came, and those that stayed.
     *
     * @param  list<string>  $from
     * @param  list<string>  $to
     * @return list<array{string, string}> "-", "+" or "", and the line
     */
    public static function lines(array $from, array $to): array
    {
        $matches = self::matches($from, $to);
        $lines = [];
        $j = 0;
        foreach ($from as $i => $line) {
            if (! isset($matches[$i])) {
                $lines[] = ['-', $line];

                continue;
            }
            for (; $j < $matches[$i]; $j++) {
                $lines[] = ['+', $to[$j]];
            }
            $lines[] = ['', $line];
            $j++;
        }
        for (; $j < count($to); $j++) {
            $lines[] = ['+', $to[$j]];
        }

        return $lines;
    }
}
