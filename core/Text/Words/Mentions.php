<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Words;

/** Who is meant in a note by an @ and their name: the whole of it, or the first name where nobody else has it. */
final class Mentions
{
    /**
     * @param  array<int, string>  $names  by whose they are
     * @return list<int> those who are meant, in the order of the names, each once
     */
    public static function in(string $note, array $names): array
    {
        $firsts = array_map(self::first(...), $names);
        $times = array_count_values($firsts);
        // The longest first: "@Tom Reyes" is no other Tom.
        uasort($names, fn (string $a, string $b): int => mb_strlen($b, 'UTF-8') <=> mb_strlen($a, 'UTF-8'));
        $left = $note;
        $meant = [];
        foreach ([$names, array_filter($firsts, fn (string $first): bool => $times[$first] === 1)] as $called) {
            foreach ($called as $id => $name) {
                $left = preg_replace('/(?<![\p{L}\p{N}.])@'.preg_quote($name, '/').'(?![\p{L}\p{N}])/iu', ' ', $left, -1, $count) ?? $left;
                $count > 0 && $meant[$id] = true;
            }
        }

        return array_values(array_filter(array_keys($firsts), fn (int $id): bool => isset($meant[$id])));
    }

    private static function first(string $name): string
    {
        return mb_strtolower((string) preg_replace('/\s.*$/su', '', trim($name)), 'UTF-8');
    }
}
