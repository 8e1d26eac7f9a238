<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

/** A delivery laid out for pointing: every value with the path that leads to it, lists folded into one place for all of their items. */
final class Outline
{
    private const MOST = 400;

    private const SHOWN = 3;

    /** @return list<Leaf> */
    public static function of(mixed $tree): array
    {
        $leaves = [];
        if (is_array($tree)) {
            self::walk($tree, $tree, [], 0, $leaves);
        }

        return $leaves;
    }

    /**
     * @param  array<array-key, mixed>  $node
     * @param  list<string|int|null>  $steps
     * @param  list<Leaf>  $leaves
     */
    private static function walk(mixed $tree, array $node, array $steps, int $depth, array &$leaves): void
    {
        foreach ($node as $key => $value) {
            if (count($leaves) >= self::MOST) {
                return;
            }
            $at = [...$steps, (string) $key];
            $path = Path::of($at);
            if (! is_array($value) || $value === []) {
                $leaves[] = new Leaf(
                    $path, (string) $key, self::shown(is_array($value) ? '' : ($path->isMany() ? $path->find($tree) : $value)), $depth,
                    false,
                );
            } elseif (array_is_list($value)) {
                $each = Path::of([...$at, null]);
                $holds = array_values(array_filter($value, is_array(...)));
                $leaves[] = new Leaf(
                    $each, (string) $key,
                    $holds === [] ? self::shown($each->find($tree)) : count($value).(count($value) === 1 ? ' item' : ' items'), $depth,
                    $holds !== [],
                );
                if ($holds !== []) {
                    // What any item has, each can be asked for.
                    self::walk(
                        $tree, array_replace(...array_map(fn (array $item): array => array_is_list($item) ? [] : $item, $holds)),
                        [...$at, null], $depth + 1, $leaves,
                    );
                }
            } else {
                $leaves[] = new Leaf($path, (string) $key, '', $depth, true);
                self::walk($tree, $value, $at, $depth + 1, $leaves);
            }
        }
    }

    private static function shown(mixed $value): string
    {
        $written = match (true) {
            is_array($value) => implode(', ', array_map(self::shown(...), array_slice($value, 0, self::SHOWN))).
                (count($value) > self::SHOWN ? ' …' : ''),
            $value === null => 'null',
            is_bool($value) => $value ? 'true' : 'false',
            is_scalar($value) => mb_scrub((string) $value, 'UTF-8'),
            default => '',
        };

        return mb_strlen($written, 'UTF-8') > 120 ? mb_substr($written, 0, 119, 'UTF-8').'…' : $written;
    }
}
